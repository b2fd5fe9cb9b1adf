import { differing, FIGURES } from '@oat-crock/core/testing';

describe('the engine in a worker', () => {
  it('comes to the same figures as on Node, to 1e-12', async () => {
    const worker = new Worker(new URL('../testing/figures.worker', import.meta.url), { type: 'module' });
    const figures = await new Promise<Record<string, number>>((told, failed) => {
      worker.onmessage = (message: MessageEvent<Record<string, number>>) => told(message.data);
      worker.onerror = (error) => failed(new Error(error.message));
    });
    worker.terminate();
    expect(differing(figures, FIGURES)).toEqual([]);
  });
});
