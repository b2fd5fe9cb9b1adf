import { By } from '@angular/platform-browser';
import { Select } from 'primeng/select';
import { pageOf } from '../../testing/page';
import { OptionField } from './option-field';

const OPTIONS = [
  { id: 'a', label: 'Alpha', why: 'The first.' },
  { id: 'b', label: 'Beta' },
];

async function field(inputs: object = {}) {
  const page = await pageOf(OptionField, [], 0, { ariaLabel: 'Letter', options: OPTIONS, value: 'a', ...inputs });
  const told: string[] = [];
  page.fixture.componentInstance.changed.subscribe((id) => told.push(`changed ${id}`));
  page.fixture.componentInstance.settled.subscribe((id) => told.push(`settled ${id}`));
  const select = page.fixture.debugElement.query(By.directive(Select)).componentInstance as Select;
  return { ...page, told, select };
}

describe('one of a list', () => {
  it('shows what is chosen, and is called what it asks', async () => {
    const { element } = await field();
    const box = element.querySelector('[role=combobox]')!;
    expect(box.getAttribute('aria-label')).toBe('Letter');
    expect(box.textContent.trim()).toBe('Alpha');
  });

  it('tells what is picked, and again once the list has closed', async () => {
    const { select, told } = await field();
    select.onChange.emit({ originalEvent: new Event('change'), value: 'b' });
    expect(told).toEqual(['changed b']);
    select.onHide.emit(new Event('hide') as never);
    expect(told).toEqual(['changed b', 'settled b']);
    select.onHide.emit(new Event('hide') as never);
    expect(told.length).toBe(2);
  });

  it('that only adds something shows its placeholder', async () => {
    const { element } = await field({ value: null, placeholder: 'Add' });
    expect(element.querySelector('[role=combobox]')!.textContent.trim()).toBe('Add');
  });
});
