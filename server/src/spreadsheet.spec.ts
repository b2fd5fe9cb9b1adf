import Papa from 'papaparse';
import { spreadsheetRows } from './spreadsheet.js';

const FORMULAS = ['=1+1', '+1', '-x', '@SUM(A1)', '\t=1', '\r=1'];

describe('rows for a spreadsheet', () => {
  it('hold no formula, whatever somebody called a thing, also where semicolons or tabs part cells', () => {
    const names = FORMULAS.flatMap((formula) => [formula, `quay;${formula}`, `quay; @${formula}`, `quay\t${formula}`]);
    const text = spreadsheetRows(
      names.map((name) => ({ name, g: -12 })),
      ['name', 'g'],
      false,
    );
    for (const delimiter of [',', ';', '\t']) {
      const cells = Papa.parse<string[]>(text, { delimiter }).data.flat();
      const first = cells.map((cell) => cell.trim()[0] ?? '');
      expect(first.filter((sign) => '=+@'.includes(sign) && sign !== '')).toEqual([]);
    }
  });

  it('are read back as they were, numbers as numbers', () => {
    const text = spreadsheetRows([{ name: 'a "b"; c, d\ne', g: -1.5, none: null }], ['name', 'g', 'none'], true);
    expect(text).toContain(',-1.5,');
    expect(Papa.parse<string[]>(text.trim()).data).toEqual([
      ['name', 'g', 'none'],
      ['a "b"; c, d\ne', '-1.5', ''],
    ]);
  });
});
