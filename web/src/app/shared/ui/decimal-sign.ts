import { computed } from '@angular/core';
import { reader } from './reader';

/** The sign that the household writes between a whole and its parts: "." or ",". */
export const decimalSign = computed(() => (1.5).toLocaleString(reader().language).charAt(1));
