/** What stands in a field for a number: the number, null for nothing, or that it is none. */
export type ReadNumber = number | null | 'unreadable';

/** A number's digits with its signs, and a unit after it. */
const NUMBER = /^([-−]?)(\d[\d.,]*|[.,]\d+)\s*(\D*)$/;
/** One sign that parts thousands: before three digits, with more before it. */
const THOUSANDS = /^[1-9]\d{0,2}[.,]\d{3}$/;

/**
 * Reads a number as people type or paste it: with a point or a comma as decimal sign, thousands parted by the other one or by
 * spaces, and with its unit after it or without.
 *
 * @param text as it stands in the field
 * @param unit the unit of the field, as it is shown; another one is not read, as the number would be of something else
 * @param decimal the household's decimal sign
 */
export function readNumber(text: string, unit: string, decimal: string): ReadNumber {
  const [, minus = '', digits = '', said = ''] =
    NUMBER.exec(text.replace(/(\d)[ \u00a0\u202f](?=\d{3})/g, '$1').trim()) ?? [];
  if (text.trim() === '' || text.trim() === unit.trim()) return null;
  if (digits === '' || (said !== '' && said.trim() !== unit.trim())) return 'unreadable';
  const n = Number((minus && '-') + plain(digits, decimal));
  return Number.isNaN(n) ? 'unreadable' : n;
}

/** Digits with a point as decimal sign and nothing between thousands. */
function plain(digits: string, decimal: string): string {
  const signs = new Set(digits.match(/[.,]/g));
  const last = Math.max(digits.lastIndexOf('.'), digits.lastIndexOf(','));
  const sign = digits.charAt(last);
  const partsThousands = signs.size === 1 && sign !== decimal && THOUSANDS.test(digits);
  if (partsThousands) return digits.replace(/[.,]/g, '');
  const whole = digits.slice(0, last === -1 ? undefined : last);
  const parts = last === -1 ? '' : `.${digits.slice(last + 1)}`;
  return (signs.size === 2 ? whole.replace(/[.,]/g, '') : whole) + parts;
}
