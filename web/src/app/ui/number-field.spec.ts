import { pageOf } from '../testing/page';
import { NumberField } from './number-field';

async function field(value: number | null) {
  const page = await pageOf(NumberField, [], 0, {
    fieldId: 'fat',
    value,
    min: 1,
    max: 10,
    step: 0.5,
    suffix: ' %',
    buttons: true,
  });
  const told: (number | null)[] = [];
  page.fixture.componentInstance.changed.subscribe((n) => {
    told.push(n);
    page.fixture.componentRef.setInput('value', n);
  });
  return { ...page, told, input: page.element.querySelector('input')! };
}

describe('a number with its unit', () => {
  it('shows the number and the unit, and has the id its label names', async () => {
    const { input } = await field(3.5);
    expect(input.value).toBe('3.5 %');
    expect(input.id).toBe('fat');
    expect(input.getAttribute('role')).toBe('spinbutton');
  });

  it('steps up and down with its buttons, and tells each step once', async () => {
    const { element, told, fixture } = await field(3.5);
    for (const button of element.querySelectorAll('button')) {
      button.dispatchEvent(new MouseEvent('mousedown', { button: 0 }));
      button.dispatchEvent(new MouseEvent('mouseup', { button: 0 }));
      await fixture.whenStable();
    }
    expect([...told].sort()).toEqual([3.5, 4]);
  });

  it('takes what lies within its bounds and nothing else; emptied, it says so', async () => {
    const { fixture, told } = await field(8);
    const inner = fixture.componentInstance as unknown as { typed: (v: number | string | null) => void };
    for (const value of [9, 400, 6.5, '8', 8, 0.5, null, Number.NaN]) {
      inner.typed(value);
      await fixture.whenStable();
    }
    expect(told).toEqual([9, 6.5, 8, null]);
  });

  it('leaves what was typed outside the bounds as it is, and says them until it is right', async () => {
    const { element, fixture } = await field(8);
    const inner = fixture.componentInstance as unknown as { typed: (v: number) => void };
    inner.typed(400);
    await fixture.whenStable();
    expect(element.querySelector('[role=alert]')!.textContent).toBe('From 1 to 10 %.');
    inner.typed(7);
    await fixture.whenStable();
    expect(element.querySelector('[role=alert]')).toBeNull();
  });
});
