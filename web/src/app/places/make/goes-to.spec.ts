import { sharedOut } from './goes-to';

describe('what came out of a make, split among those it was made for', () => {
  const waits = [
    { id: 'bakery', massG: 1200 },
    { id: 'quay', massG: 800 },
    { id: 'school', massG: 500 },
  ];

  it('gives who comes first all of theirs before who comes after, and never more than there is', () => {
    const gets = (productG: number) => sharedOut(productG, waits).map((w) => w.getsG);
    expect(gets(2600)).toEqual([1200, 800, 500]);
    expect(gets(2000)).toEqual([1200, 800, 0]);
    expect(gets(1500)).toEqual([1200, 300, 0]);
    expect(gets(0)).toEqual([0, 0, 0]);
    expect(gets(Infinity)).toEqual([1200, 800, 500]);
  });
});
