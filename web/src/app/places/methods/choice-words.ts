import { hourOfDay, lotIdOf, type Choice, type ChoiceGroup, type Choices, type OptionChoice } from '@oat-crock/core';
import { quantity, textOf, tell } from '../../shared/ui/said';
import { amount, mass, acidity } from '../../shared/ui/words';
import { units } from '../../shared/ui/reader';

const G_PER_KG = 1000;

/** A chosen value in words: "85 °C", "In the cold". */
export function valueWords(choice: Choice, choices: Choices): string {
  const value = choices[choice.key] ?? choice.initial;
  if (choice.kind === 'option') return optionWords(choice, value);
  if (Number(value) === 0 && choice.nought) return textOf(choice.nought);
  if (choice.unit === 'pH') return acidity(Number(value));
  if (choice.unit === 'clock') return quantity(hourOfDay(Number(value)));
  if (choice.unit === 'g')
    return units().mass === 'oz'
      ? mass(Number(value))
      : Number(value) < G_PER_KG
        ? amount(Number(value), 'g')
        : amount(Number(value) / G_PER_KG, 'kg');
  if (choice.unit === 'days') return tell('quantity.days', { count: Number(value) });
  if (choice.unit === 'makes') return tell('page.methods.choiceWords.makes', { count: Number(value) });
  return amount(Number(value), choice.unit, choice.step);
}

/** An option by its label; one's own lots have names, which nobody re-words. */
function optionWords(choice: OptionChoice, value: number | string): string {
  const option = choice.options.find((o) => o.id === value);
  if (!option) return String(value);
  return lotIdOf(option.id) === null ? textOf(option.label) : String(option.label);
}

/** A closed group says what is chosen in it, the important first. */
export function groupWords(group: ChoiceGroup, choices: Choices): string {
  return group.choices.map((choice) => valueWords(choice, choices)).join(', ');
}
