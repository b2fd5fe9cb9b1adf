import type { ArchiveReport, MakesAsked } from '@oat-crock/contract/api';
import { HttpErrorResponse } from '@angular/common/http';
import { follow, makeLineOf, type Entry, type EntryBody, type Gear } from '@oat-crock/core';
import { BlobReader, TextWriter, ZipReader, type FileEntry } from '@zip.js/zip.js';
import { Engine } from '../../engine/engine';
import { ApiClient } from '../../state/api-client';
import { Paper } from '../../shared/paper/paper';
import { pageOf } from '../../testing/page';
import { turns, until } from '../../testing/until';
import { ArchiveView } from './archive';
import { ArchiveOut } from './archive-out';
import { PeriodForm } from './period-form';
import { periodPaper } from './period-paper';
import { recallPaper } from './recall-paper';
import { zipOf } from './zip-file';
import { batchOf, DAY, FEW, make, NOW } from '../../testing/soured-makes';

describe('the list to call by', () => {
  it('has everybody who got some, with how much of what and room to note the call, and what is here', () => {
    const page = JSON.stringify(
      recallPaper({
        of: 'Evening milk',
        nowMs: NOW,
        receivers: [{ name: 'The school', amount: '9 pots', makes: ['Mild', 'Plain'] }],
        makes: [{ name: 'Mild', lot: '260502-AB12', left: '3 pots here', held: true }],
      }),
    );
    for (const said of [
      'Who to call about Evening milk',
      'The school',
      '9 pots',
      'Mild, Plain',
      'called at',
      '260502-AB12',
      'held',
    ])
      expect(page).withContext(said).toContain(said);
    expect(JSON.stringify(recallPaper({ of: 'It', nowMs: NOW, receivers: [], makes: [] }))).toContain(
      'Nobody is known',
    );
  });
});

describe('some days on paper', () => {
  const log = make(30, 3, 320);
  const line = (i: number, minute: number, body: EntryBody): Entry => ({
    ...log[0]!,
    id: `01J0000000000000000P030${String(50 + i)}0`,
    atMs: log[0]!.atMs + minute * 60_000,
    body,
  });
  const wrong = line(0, 100, { type: 'reading', quantity: 'ph', value: 7.9, by: 'meter' });
  const entries = [
    ...log,
    line(1, 40, { type: 'reading', quantity: 'tempC', value: 84.5, by: 'thermometer' }),
    wrong,
    line(2, 101, {
      type: 'correction',
      replaces: wrong.id,
      body: { type: 'reading', quantity: 'ph', value: 4.51, by: 'meter' },
    }),
    line(3, 900, { type: 'issued', how: 'sold', pots: 4, to: 'The school' }),
    line(4, 910, { type: 'held', by: 'Ine', reason: 'smells of yeast' }),
  ];

  const shelf = (id: string, name: string, learned: Gear['learned']): Gear => ({
    ...{ id, name, learned, kind: 'cold-shelf', holdsL: 60, count: 1, note: '' },
  });
  const SHELVES = [
    shelf('1', 'Cellar shelf', { holdsC: { value: 3.6, sd: 0.3, atMs: NOW - 4 * DAY } }),
    shelf('2', 'Small one', {}),
  ];

  it('have what was measured, decided, gone to whom and corrected, and no part that is empty', () => {
    const page = JSON.stringify(
      periodPaper({ fromMs: NOW - 9 * DAY, untilMs: NOW, nowMs: NOW, batches: [batchOf(entries)], shelves: SHELVES }),
    );
    for (const said of [
      'One make, 3.80 kg',
      'Pot 30',
      '84.5 °C',
      'pH 4.51',
      'sold, The school',
      'Ine',
      'first it said: pH 7.9',
      'by thermometer',
      'Cellar shelf',
      '3.6 °C, measured 1 May 2026',
      'never measured',
    ])
      expect(page.toLowerCase()).withContext(said).toContain(said.toLowerCase());
    const bare = JSON.stringify(
      periodPaper({ fromMs: NOW, untilMs: NOW, nowMs: NOW, batches: [batchOf(log)], shelves: [] }),
    );
    for (const absent of ['The cold', 'Corrections', 'What went to whom', 'Held, let go'])
      expect(bare).not.toContain(absent);
  });

  it('are read from the server and handed out; days that end before they begin are refused in words', async () => {
    const saved: string[] = [];
    const wire = {
      makes: () => Promise.resolve({ found: 1, all: 1, makes: [makeLineOf(batchOf(log))] }),
      batch: () => Promise.resolve(log),
    };
    const paper = { save: (name: string) => Promise.resolve(void saved.push(name)) };
    const page = await pageOf(PeriodForm, [], NOW, {}, [
      { provide: ApiClient, useValue: wire },
      { provide: Paper, useValue: paper },
    ]);
    await page.click('These days as PDF');
    await until(() => saved.length === 1);
    expect(saved).toEqual(['makes-2026-04-05-2026-05-05']);
    (page.fixture.componentInstance as unknown as { untilMs: { set: (ms: number) => void } }).untilMs.set(
      NOW - 60 * DAY,
    );
    await page.click('These days as PDF');
    await until(() => page.text().includes('It ends before it begins'));
    expect(saved.length).toBe(1);
  });
});

/** What the browser is handed as files from now on. */
function handedOut(): Blob[] {
  const handed: Blob[] = [];
  spyOn(URL, 'createObjectURL').and.callFake((blob) => {
    handed.push(blob as Blob);
    return 'blob:nothing';
  });
  spyOn(HTMLAnchorElement.prototype, 'click');
  return handed;
}

/** The files of a ZIP as text, by name. */
async function filesIn(zip: Blob): Promise<Map<string, string>> {
  const entries = (await new ZipReader(new BlobReader(zip)).getEntries()) as FileEntry[];
  return new Map(await Promise.all(entries.map(async (e) => [e.filename, await e.getData(new TextWriter())] as const)));
}

describe('the records of some days', () => {
  it('come as one file, a PDF for each make, by its lot', async () => {
    const logs = [make(41, 3, 300), make(42, 2, 320)];
    const wire = {
      makes: () => Promise.resolve({ found: 2, all: 2, makes: logs.map((log) => makeLineOf(batchOf(log))) }),
      batch: (id: string) => Promise.resolve(logs.find((log) => log[0]!.batchId === id)!),
      room: () => Promise.resolve([]),
    };
    const set: object[] = [];
    const bytes = (page: object) => Promise.resolve(new Uint8Array([set.push(page)]));
    const engine = { follow: (batch: ReturnType<typeof batchOf>) => Promise.resolve(follow(batch, NOW, FEW)) };
    const handed = handedOut();
    const page = await pageOf(PeriodForm, [], NOW, {}, [
      { provide: ApiClient, useValue: wire },
      { provide: Paper, useValue: { bytes } },
      { provide: Engine, useValue: engine },
    ]);
    const button = [...page.element.querySelectorAll('button')].at(-1)!;
    expect(button.textContent).toContain('ZIP of PDFs');
    button.click();
    await until(() => handed.length === 1);
    expect([...(await filesIn(handed[0]!)).keys()]).toEqual(['record-260502-0P41.pdf', 'record-260503-0P42.pdf']);
    expect(JSON.stringify(set[0])).toContain('Pot 41');
  });
});

describe('the archive with its papers', () => {
  const logs = [make(51, 3, 300), make(52, 2, 320)];
  const archive = () =>
    zipOf(
      (async function* () {
        yield await Promise.resolve({ name: 'manifest.json', bytes: new TextEncoder().encode('{"is":"an archive"}') });
      })(),
    );
  const engine = { follow: (batch: ReturnType<typeof batchOf>) => Promise.resolve(follow(batch, NOW, FEW)) };
  const open = async (bytes: () => Promise<Uint8Array>, told = archive) => {
    const wire = {
      archive: told,
      makes: ({ skip }: MakesAsked) =>
        Promise.resolve({ found: 2, all: 2, makes: [makeLineOf(batchOf(logs[skip === 0 ? 0 : 1]!))] }),
      batch: (id: string) => Promise.resolve(logs.find((log) => log[0]!.batchId === id)!),
      room: () => Promise.resolve([]),
    };
    return pageOf(ArchiveOut, [], NOW, {}, [
      { provide: ApiClient, useValue: wire },
      { provide: Paper, useValue: { bytes } },
      { provide: Engine, useValue: engine },
    ]);
  };
  const WITH = 'The same with records and labels (PDF)';

  it('has what it had as it was, and behind it a record and a label of each make that ended', async () => {
    const handed = handedOut();
    const page = await open(() => Promise.resolve(new TextEncoder().encode('a page')));
    await page.click(WITH);
    await until(() => handed.length === 1);
    const files = await filesIn(handed[0]!);
    expect(files.get('manifest.json')).toBe('{"is":"an archive"}');
    expect([...files.keys()].slice(1).sort()).toEqual([
      'paper/label-260502-0P51.pdf',
      'paper/label-260503-0P52.pdf',
      'paper/record-260502-0P51.pdf',
      'paper/record-260503-0P52.pdf',
    ]);
    expect(files.get('paper/label-260502-0P51.pdf')).toBe('a page');
  });

  it('says how far it is, is stopped with nothing handed out, and says where the server is away', async () => {
    const handed = handedOut();
    let next: () => void = () => undefined;
    const page = await open(() => new Promise((resolve) => (next = () => resolve(new Uint8Array([1])))));
    await page.click(WITH);
    await until(() => page.text().includes('0 of 2 makes put on paper'));
    await page.click('Stop');
    next();
    await turns(20);
    expect(page.text()).toContain(WITH);
    const away = await open(
      () => Promise.reject(new Error()),
      () => Promise.reject(new Error()),
    );
    await away.click(WITH);
    await until(() => away.element.querySelector('[role=alert]') !== null);
    expect(handed.length).toBe(0);
  });
});

describe('the archive on the page', () => {
  const report = (known: number): ArchiveReport => ({
    form: 1,
    writtenMs: NOW,
    tables: [{ table: 'log', new: 5 - known, known, other: 0 }],
  });
  const backups = () => new Promise<never>(() => undefined);
  async function chosen(sendArchive: (file: File, dry: boolean) => Promise<ArchiveReport>) {
    const page = await pageOf(ArchiveView, [], NOW, {}, [{ provide: ApiClient, useValue: { sendArchive, backups } }]);
    const input = page.element.querySelector<HTMLInputElement>('#archive-file')!;
    const files = new DataTransfer();
    files.items.add(new File(['zip'], 'dairy.zip'));
    input.files = files.files;
    input.dispatchEvent(new Event('change'));
    await page.fixture.whenStable();
    return page;
  }

  it('is tried first, and read in once somebody says so', async () => {
    const asked: boolean[] = [];
    const page = await chosen((_file, dry) => {
      asked.push(dry);
      return Promise.resolve(report(0));
    });
    await until(() => page.text().includes('This would come:'));
    expect(page.text()).toContain('Lines of the log500');
    await page.click('Read it in');
    await until(() => page.text().includes('It is read in.'));
    expect(asked).toEqual([true, false]);
  });

  it('is not offered where all of it is here, and why it is refused is said in the server’s words', async () => {
    const known = await chosen(() => Promise.resolve(report(5)));
    await until(() => known.text().includes('All of it is here already.'));
    expect(known.text()).not.toContain('Read it in');
    const error = { errors: [{ field: 'archive', message: 'It was cut off.', remedy: 'Take another.' }] };
    const refused = await chosen(() => Promise.reject(new HttpErrorResponse({ status: 422, error })));
    await until(
      () =>
        refused.element.querySelector('[role=alert]')?.textContent.includes('It was cut off. Take another.') ?? false,
    );
    const away = await chosen(() => Promise.reject(new HttpErrorResponse({ status: 0 })));
    await until(() => away.text().includes('Nothing was read in.'));
  });
});
