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
    <span className="flex flex-col items-center gap-1">
      <Switch.Root
        checked={on}
        disabled={disabled}
        onCheckedChange={onChange}
        aria-label={`${name} in use`}
        className="flex h-11 w-[68px] items-center rounded-sm border border-steel-500 bg-white p-1 data-[state=checked]:bg-ink"
      >
        <Switch.Thumb className="block h-8 w-7 rounded-[2px] bg-steel-500 transition-transform data-[state=checked]:translate-x-[31px] data-[state=checked]:bg-brass" />
      </Switch.Root>
      <span className="font-cond text-[15px] leading-none font-medium">{on ? 'in use' : 'not used'}</span>
    </span>
  );
}
