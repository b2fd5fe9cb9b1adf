import { keepHere, keptHere } from './kept-here';

const KEY = 'oat-crock.test';
const isRight = (value: unknown): value is { n: number } => typeof (value as { n?: unknown } | null)?.n === 'number';

describe('what the browser keeps', () => {
  afterEach(() => localStorage.removeItem(KEY));

  it('comes back record by record, those that are right', () => {
    keepHere(KEY, { a: { n: 1 }, b: { n: 'two' }, c: null, d: { n: 4 } });
    expect(keptHere(KEY, isRight)).toEqual({ a: { n: 1 }, d: { n: 4 } });
  });

  it('is nothing where there is nothing, or nothing that can be read', () => {
    expect(keptHere(KEY, isRight)).toBeNull();
    for (const rubbish of ['soup', '7', 'null']) {
      localStorage.setItem(KEY, rubbish);
      expect(keptHere(KEY, isRight)).withContext(rubbish).toBeNull();
    }
  });

  it('is not missed where the browser keeps nothing', () => {
    spyOn(Storage.prototype, 'setItem').and.throwError('full');
    expect(() => keepHere(KEY, { a: { n: 1 } })).not.toThrow();
  });
});
