import { ToggleGroup } from "radix-ui";

export interface Choice<T extends string> {
  value: T;
  name: string;
  hint?: string;
}

interface SegmentedProps<T extends string> {
  label: string;
  choices: readonly Choice<T>[];
  value: T;
  onChange: (value: T) => void;
}

/** One of a few, as one control. */
export function Segmented<T extends string>({ label, choices, value, onChange }: SegmentedProps<T>) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value}
      onValueChange={(next) => next && onChange(next as T)}
      className="inline-flex divide-x divide-rule rounded-sm border border-firm"
    >
      {choices.map((choice) => (
        <ToggleGroup.Item
          key={choice.value}
          value={choice.value}
          title={choice.hint}
          className="h-6 px-2 text-12 wide:px-2.5 whitespace-nowrap text-ink-2 hover:bg-wash data-[state=on]:bg-ink data-[state=on]:text-sheet"
        >
          {choice.name}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
