import { getNonce } from 'get-nonce';
import { Select } from 'radix-ui';

export interface Option {
  key: string;
  label: string;
}

interface Props {
  label: string;
  value: string;
  shown: string;
  options: Option[];
  wrong: boolean;
  onChange: (key: string) => void;
}

/** A live word with a few things it can be. */
export function ChoiceWord({ label, value, shown, options, wrong, onChange }: Props) {
  return (
    <Select.Root value={value} onValueChange={onChange}>
      <Select.Trigger
        aria-label={`${label}: ${shown}`}
        className={`mx-0.5 inline-flex min-h-11 cursor-pointer items-center gap-1 border-b-2 px-1 align-baseline leading-tight font-semibold hover:bg-mark-wash ${
          wrong ? 'border-stop-edge text-stop-edge' : 'border-mark'
        }`}>
        {shown}
        <Select.Icon className="text-sm text-mark" aria-hidden>
          ▾
        </Select.Icon>
      </Select.Trigger>
      <Select.Portal>
        <Select.Content
          position="popper"
          sideOffset={4}
          className="z-50 max-h-[min(70vh,var(--radix-select-content-available-height))] overflow-hidden rounded-md border border-ink bg-card text-ink shadow-xl">
          <Select.Viewport nonce={getNonce()} className="p-1">
            {options.map((option) => (
              <Select.Item
                key={option.key}
                value={option.key}
                className="flex min-h-11 cursor-pointer items-center rounded px-3 text-xl outline-none data-[highlighted]:bg-mark data-[highlighted]:text-on-mark data-[state=checked]:font-semibold">
                <Select.ItemText>{option.label}</Select.ItemText>
              </Select.Item>
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
}
