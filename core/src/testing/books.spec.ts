import { english } from '@oat-crock/messages';
import { BOOK } from './book.js';
import { books, otherLines } from './books.js';

describe('the books', () => {
  it('of all makes, cultures and two weeks stand as they were written down', () => {
    expect(otherLines(books(english), BOOK)).toEqual([]);
  });

  it('can be found otherwise, line by line', () => {
    expect(otherLines(BOOK, BOOK.with(3, 'otherwise'))).toEqual([`4: ${BOOK[3]} — was: otherwise`]);
    expect(otherLines(BOOK.slice(1), BOOK).length).toBe(6);
    expect(BOOK.length).toBeGreaterThan(1000);
  });
});
