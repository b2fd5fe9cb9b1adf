import { computed } from '@angular/core';
import { amountWords } from '@oat-crock/core';
import { textOf } from './said';

/** The words for amounts in the household's language. */
export const amountsSaid = computed(() => amountWords(textOf));
