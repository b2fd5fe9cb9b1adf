import { hourWord } from './dates';
import { tell } from './said';

/** The hours of a day to choose from, the midnight at its end among them. */
export const HOURS = () =>
  Array.from({ length: 25 }, (_, hour) => ({
    id: String(hour),
    label: hour === 24 ? tell('page.shell.peopleFields.midnight') : hourWord(hour),
  }));
