import { signal } from '@angular/core';
import { typedOver } from './typed-over';

describe('a number typed over what is reckoned', () => {
  it('follows what is reckoned until it is typed, and stays as typed from then on', () => {
    const reckoned = signal<number | null>(120);
    const typed = signal<number | null | undefined>(undefined);
    const held = typedOver(reckoned, typed, (own) => typed.set(own));
    expect(held()).toBe(120);
    reckoned.set(125);
    expect(held()).toBe(125);
    held.set(130);
    reckoned.set(140);
    expect(held()).toBe(130);
  });

  it('stays empty where it was emptied', () => {
    const typed = signal<number | null | undefined>(undefined);
    const held = typedOver(
      () => 120,
      typed,
      (own) => typed.set(own),
    );
    held.set(null);
    expect(held()).toBeNull();
  });
});
