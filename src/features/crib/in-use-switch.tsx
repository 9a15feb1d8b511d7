import { Switch } from 'radix-ui';

interface Props {
  name: string;
  on: boolean;
  disabled: boolean;
  onChange: (on: boolean) => void;
}

/** Whether an entry is chosen from. */
export function InUseSwitch({ name, on, disabled, onChange }: Props) {
  return (
    <span className="flex items-center gap-2">
      <span className="font-cond text-[15px] leading-none font-medium">{on ? 'in use' : 'not used'}</span>
      <Switch.Root
        checked={on}
        disabled={disabled}
        onCheckedChange={onChange}
        aria-label={`${name} in use`}
        className="group flex h-11 w-14 items-center justify-center rounded-sm"
      >
        <span className="flex h-6 w-11 items-center rounded-full border border-steel-500 bg-white p-0.5 group-data-[state=checked]:bg-ink">
          <Switch.Thumb className="block size-4.5 rounded-full bg-steel-500 transition-transform data-[state=checked]:translate-x-5 data-[state=checked]:bg-brass" />
        </span>
      </Switch.Root>
    </span>
  );
}
