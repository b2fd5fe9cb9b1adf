import type { Choice, ChoiceGroup, Choices } from '@oat-crock/core';

/** A chosen value in words: "85 °C", "In the cold". */
export function valueWords(choice: Choice, choices: Choices): string {
  const value = choices[choice.key] ?? choice.initial;
  if (choice.kind === 'option') return choice.options.find((o) => o.id === value)?.label ?? String(value);
  if (Number(value) === 0 && choice.nought) return choice.nought;
  if (choice.unit === 'g' && Number(value) >= 1000)
    return `${(Number(value) / 1000).toFixed(2).replace(/\.?0+$/, '')} kg`;
  if (choice.unit === 'pH') return `pH ${Number(value).toFixed(2)}`;
  return `${Number(value)} ${Number(value) === 1 ? choice.unit.replace(/^days/, 'day') : choice.unit}`;
}

/** A closed group says what is chosen in it, the important first. */
export function groupWords(group: ChoiceGroup, choices: Choices): string {
  return group.choices.map((choice) => valueWords(choice, choices)).join(', ');
}
