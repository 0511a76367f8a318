import { type FocusEvent, Suspense, useRef, useState } from 'react';
import { createPortal } from 'react-dom';
import { later } from './later';

const LengthPad = later(() => import('./LengthPad'));

/** Whether fingers do the typing: then a size gets a pad of its own. */
export const touched = () => window.matchMedia('(pointer: coarse)').matches;

/** The entry pad of a length field: props for the field, and the pad while it has the cursor. */
export function usePad(wanted: boolean) {
  const [field, setField] = useState<HTMLInputElement | null>(null);
  const [letters, setLetters] = useState(false);
  const turning = useRef(false);
  const pad = wanted && touched();
  const props = {
    inputMode: pad && !letters ? ('none' as const) : ('text' as const),
    onFocus: (event: FocusEvent<HTMLInputElement>) => {
      event.target.select();
      turning.current = false;
      if (pad) setField(event.target);
    },
    onBlur: () => {
      if (turning.current) return;
      setField(null);
      setLetters(false);
    },
  };
  const shown = field && !letters && (
    <Suspense>
      {createPortal(
        <LengthPad
          field={field}
          letters={() => {
            setLetters(true);
            turning.current = true;
            // A keyboard comes up only for a field that is given the cursor anew.
            field.blur();
            requestAnimationFrame(() => field.focus());
          }}
          close={() => field.blur()}
        />,
        document.body,
      )}
    </Suspense>
  );
  return { props, shown };
}
