import { TestBed } from '@angular/core/testing';
import { Workers } from './workers';

interface Adds {
  add(a: number, b: number): Promise<number>;
}
const workerOf = (source: string) => () =>
  new Worker(URL.createObjectURL(new Blob([source], { type: 'text/javascript' })));

describe('a worker', () => {
  it('that cannot be made, or whose file does not run, fails every call and is told of', async () => {
    const makes: readonly (() => Worker)[] = [
      workerOf('nonsense('),
      () => new Worker('/there-is-no-such-file.js'),
      () => {
        throw new DOMException('Workers are forbidden here.', 'SecurityError');
      },
    ];
    for (const make of makes) {
      TestBed.resetTestingModule();
      const workers = TestBed.inject(Workers);
      const started = workers.start<Adds>(make);
      await expectAsync(started.ask((api) => api.add(1, 2))).toBeRejectedWithError();
      expect(workers.failed()).toBeTrue();
      await expectAsync(started.ask((api) => api.add(1, 2))).toBeRejectedWithError();
    }
  });

  it('that starts is nothing to tell of', async () => {
    // Comlink's protocol, as far as an answer: the id of the call comes back with its value.
    const answers = 'onmessage = ({ data }) => postMessage({ id: data.id, type: "RAW", value: 3 })';
    const workers = TestBed.inject(Workers);
    expect(await workers.start<Adds>(workerOf(answers)).ask((api) => api.add(1, 2))).toBe(3);
    expect(workers.failed()).toBeFalse();
  });
});
