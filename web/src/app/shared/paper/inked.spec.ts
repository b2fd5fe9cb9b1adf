import { inked } from './inked';

describe('a drawing that stands alone', () => {
  let host: HTMLElement;
  beforeEach(() => {
    host = document.createElement('div');
    host.innerHTML = `<style>
        .ink { stroke: rgb(1, 2, 3); stroke-width: 2px; fill: none; }
        [data-light='dawn'] .ink { stroke: rgb(250, 250, 250); }
        .word { fill: rgb(4, 5, 6); stroke: rgb(255, 255, 255); stroke-width: 3px; font-size: 11px; }
      </style>
      <svg viewBox="0 0 10 10"><title>words</title><path class="ink" d="M0 0L9 9"/><text class="word">pH</text></svg>`;
    document.body.append(host);
  });
  afterEach(() => {
    host.remove();
    delete document.documentElement.dataset['light'];
  });
  const drawn = () => {
    const text = inked(host.querySelector('svg')!);
    return new DOMParser().parseFromString(text, 'image/svg+xml');
  };

  it('carries what the style sheet says of it, in plain numbers', () => {
    const path = drawn().querySelector('path')!;
    expect(path.getAttribute('stroke')).toBe('rgb(1, 2, 3)');
    expect(path.getAttribute('stroke-width')).toBe('2');
    expect(path.getAttribute('class')).toBeNull();
  });

  it('has the colours of daylight before dawn too, and leaves the page as it was', () => {
    document.documentElement.dataset['light'] = 'dawn';
    expect(drawn().querySelector('path')!.getAttribute('stroke')).toBe('rgb(1, 2, 3)');
    expect(document.documentElement.dataset['light']).toBe('dawn');
    expect(host.querySelector('path')!.getAttribute('class')).toBe('ink');
  });

  it('has letters without the rim that a screen wants, and no tooltips', () => {
    const text = drawn().querySelector('text')!;
    expect(text.getAttribute('fill')).toBe('rgb(4, 5, 6)');
    expect(text.getAttribute('stroke')).toBeNull();
    expect(drawn().querySelector('title')).toBeNull();
  });
});
