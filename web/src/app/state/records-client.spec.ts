import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Lot } from '@oat-crock/core';
import { english } from '@oat-crock/messages';
import { newLot } from '../places/larder/new-records';
import { RecordsClient } from './records-client';

const ID = '01J0000000000000000000000A';
const lot = newLot(ID, 'milk', Date.UTC(2026, 4, 2)) as Lot;

function open() {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({
    providers: [provideZonelessChangeDetection(), provideHttpClient(), provideHttpClientTesting()],
  });
  return { wire: TestBed.inject(RecordsClient), http: TestBed.inject(HttpTestingController) };
}

describe('the larder on the wire', () => {
  it('says whether a thing is new, or over which version it is written', async () => {
    const { wire, http } = open();
    const made = wire.save('lots', lot, 0);
    const first = http.expectOne(`/api/v1/lots/${ID}`);
    expect([first.request.method, first.request.headers.get('if-none-match')]).toEqual(['PUT', '*']);
    first.flush({ version: 1, goneMs: null, item: lot });
    expect(await made).toEqual({ kind: 'saved', kept: { version: 1, goneMs: null, item: lot } });
    const changed = wire.save('lots', lot, 3);
    const second = http.expectOne(`/api/v1/lots/${ID}`);
    expect(second.request.headers.get('if-match')).toBe('"3"');
    second.flush({ version: 4, goneMs: null, item: lot });
    expect((await changed).kind).toBe('saved');
    const gone = wire.remove('gear', ID, 2);
    const third = http.expectOne(`/api/v1/gear/${ID}`);
    expect([third.request.method, third.request.headers.get('if-match')]).toEqual(['DELETE', '"2"']);
    third.flush({ version: 3, goneMs: 5, item: lot });
    expect((await gone).kind).toBe('saved');
    http.verify();
  });

  it('hands on what stands there where somebody else was first', async () => {
    const { wire, http } = open();
    const late = wire.save('lots', lot, 1);
    const current = { version: 2, goneMs: null, item: { ...lot, name: 'Theirs' } };
    http.expectOne(`/api/v1/lots/${ID}`).flush({ errors: [], current }, { status: 412, statusText: 'Overtaken' });
    expect(await late).toEqual({ kind: 'conflicted', theirs: current });
  });

  it('hands on what is wrong, field by field', async () => {
    const { wire, http } = open();
    const refused = wire.save('lots', lot, 1);
    const errors = [{ field: 'price', message: 'No.', remedy: 'Yes.' }];
    http.expectOne(`/api/v1/lots/${ID}`).flush({ errors }, { status: 422, statusText: 'Refused' });
    expect(await refused).toEqual({ kind: 'refused', errors });
  });

  it('says that what was written is kept where the server is away, broken or asked too much: it may be sent again', async () => {
    for (const fail of [
      (http: HttpTestingController) =>
        http.expectOne(`/api/v1/lots/${ID}`).flush(null, { status: 429, statusText: 'Too many requests' }),
      (http: HttpTestingController) => http.expectOne(`/api/v1/lots/${ID}`).error(new ProgressEvent('error')),
      (http: HttpTestingController) =>
        http.expectOne(`/api/v1/lots/${ID}`).flush(null, { status: 502, statusText: 'Bad gateway' }),
    ]) {
      const { wire, http } = open();
      const away = wire.save('lots', lot, 1);
      fail(http);
      const saved = await away;
      expect(saved.kind === 'unreachable' && english(saved.errors[0]!.remedy)).toContain('is kept here');
    }
  });

  it('is refused for good by any other answer, also where that names no field', async () => {
    const { wire, http } = open();
    const refused = wire.save('lots', lot, 1);
    http.expectOne(`/api/v1/lots/${ID}`).flush(null, { status: 499, statusText: 'Odd' });
    expect(await refused).toEqual(jasmine.objectContaining({ kind: 'refused' }));
  });
});
