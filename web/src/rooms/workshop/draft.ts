import type { Machine } from '../../api/queries';

/** A machine as it stands in the form: every box as typed, right or wrong. */
export type Row = Record<string, string>;

export interface Draft {
  plain: Row;
  read_out: boolean;
  steps: Row[];
  ranges: Row[];
  limits: Row[];
  dials: Row[];
}

/** What a machine is asked; `only` the kinds that have it. */
export const PLAIN: { name: string; label: string; only?: string[] }[] = [
  { name: 'name', label: 'Name' },
  { name: 'power_w', label: 'Motor power, W' },
  { name: 'plate_hz', label: 'Plate written for, Hz' },
  { name: 'mains_hz', label: 'Runs on, Hz' },
  { name: 'driver_rpm', label: 'Driving pulley turns at, rev/min' },
  { name: 'back_gear_ratio', label: 'Back gear, to 1' },
  { name: 'swing_mm', label: 'Swing over the bed, mm', only: ['lathe'] },
  { name: 'between_mm', label: 'Longest work, mm' },
  { name: 'spindle_bore_mm', label: 'Bore of the spindle, mm', only: ['lathe'] },
  { name: 'travel_mm', label: 'Its table goes along, mm', only: ['mill'] },
  { name: 'across_mm', label: 'Its table goes across, mm', only: ['mill'] },
  { name: 'leadscrew_mm', label: 'Leadscrew’s pitch, mm', only: ['lathe'] },
  { name: 'wheels', label: 'Change wheels, teeth', only: ['lathe'] },
  { name: 'wheel_module', label: 'Their module', only: ['lathe'] },
  { name: 'banjo_least_mm', label: 'Stud to leadscrew at the nearest, mm', only: ['lathe'] },
  { name: 'banjo_most_mm', label: 'Stud to leadscrew at the farthest, mm', only: ['lathe'] },
  { name: 'gearbox', label: 'Ratios of its gearbox', only: ['lathe'] },
  { name: 'dial_teeth', label: 'Teeth of the thread dial’s wheel', only: ['lathe'] },
];

/** Boxes of a machine of this kind; what was typed of another kind stays to be seen. */
export function plainOf(row: Row) {
  return PLAIN.filter(({ name, only }) => !only || only.includes(row['kind'] ?? '') || Boolean(row[name]));
}

export const HOLDINGS = [
  'three-jaw',
  'four-jaw',
  'collet',
  'between centres',
  'chuck and centre',
  'faceplate',
  'mandrel',
  'vice',
  'clamped to the table',
  'vertical slide',
];
export const SLIDES = ['cross-slide', 'top-slide', 'tailstock', 'table', 'saddle', 'head', 'vertical slide'];

export const NEW_ROW: Record<'steps' | 'ranges' | 'limits' | 'dials', Row> = {
  steps: { position: '', gear: 'direct', rpm: '', driver_mm: '', driven_mm: '' },
  ranges: { gear: '', low_rpm: '', high_rpm: '' },
  limits: { holding: 'three-jaw', max_rpm: '' },
  dials: { slide: 'cross-slide', unit: 'mm', division: '', per_turn: '', reads: 'radius', backlash: '0' },
};

export const EMPTY: Draft = {
  plain: {
    name: '',
    kind: 'lathe',
    drive: 'straight off the mains',
    power_w: '',
    plate_hz: '50',
    mains_hz: '50',
    wheels: '',
    gearbox: '',
  },
  read_out: false,
  steps: [{ ...NEW_ROW.steps, position: '1' }],
  ranges: [],
  limits: [],
  dials: [],
};

function asRow(value: object): Row {
  return Object.fromEntries(
    Object.entries(value).map(([key, v]) => [key, v === null || v === undefined ? '' : String(v)]),
  );
}

export function draftOf(machine: Machine): Draft {
  const { steps, ranges, limits, dials, read_out, ...plain } = machine;
  return {
    plain: asRow(plain),
    read_out,
    steps: steps.map(asRow),
    ranges: ranges.map(asRow),
    limits: limits.map(asRow),
    dials: dials.map(asRow),
  };
}

const OPTIONAL = new Set([
  'driver_rpm',
  'back_gear_ratio',
  'swing_mm',
  'between_mm',
  'spindle_bore_mm',
  'travel_mm',
  'across_mm',
  'leadscrew_mm',
  'wheel_module',
  'banjo_least_mm',
  'banjo_most_mm',
  'dial_teeth',
  'driver_mm',
  'driven_mm',
]);

/** Lists, whose commas part them. */
const LISTS = new Set(['wheels', 'gearbox']);

/** A blank optional box says nothing; a decimal comma is a decimal point. */
function sent(row: Row): Record<string, string | null> {
  return Object.fromEntries(
    Object.entries(row).map(([key, value]) => {
      const text = value.trim();
      if (text === '' && OPTIONAL.has(key)) return [key, null];
      return [key, !LISTS.has(key) && /^[\d]+,[\d]+$/.test(text) ? text.replace(',', '.') : text];
    }),
  );
}

export function bodyOf(draft: Draft, key: string) {
  return {
    ...sent(draft.plain),
    key,
    read_out: draft.read_out,
    steps: draft.steps.map(sent),
    ranges: draft.ranges.map(sent),
    limits: draft.limits.map(sent),
    dials: draft.dials.map(sent),
  };
}
