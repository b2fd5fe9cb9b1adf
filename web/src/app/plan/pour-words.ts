import type { PlannedPour } from '@oat-crock/contract/wire';

/** What a planned make is called: "Quark for the bakery", "Strained yogurt for the quay market, 1 of 2". */
export const nameOf = ({ name, whom, part, parts }: PlannedPour): string =>
  `${name}${whom ? ` for ${whom}` : ''}${parts > 1 ? `, ${part} of ${parts}` : ''}`;
