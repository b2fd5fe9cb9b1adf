/** The browser's own timer, also where a test has put a clock of its own in its place. */
const turn = globalThis.setTimeout.bind(globalThis);

const LOOKS = 8000;

/**
 * Waits until something holds, however slow the machine: it looks again at every turn of the browser. Where it never
 * holds, the expectation fails with the condition's own text.
 */
export async function until(holds: () => boolean | Promise<boolean>): Promise<void> {
  for (let i = 0; i < LOOKS && !(await holds()); i++) await turns(1);
  expect(await holds())
    .withContext(String(holds))
    .toBeTrue();
}

/** Lets the browser go round so many times, so that what is ready to run has run. */
export async function turns(count: number): Promise<void> {
  for (let i = 0; i < count; i++) await new Promise((resume) => turn(resume, 4));
}

/**
 * Puts a clock of the test's own in the place of the browser's timers until the test is over.
 *
 * @returns lets so many ms of that clock go by, a little at a time, so that promises between two timers are kept too
 */
export function ownTimers(): (ms: number) => Promise<void> {
  const clock = jasmine.clock().install();
  clock.mockDate(new Date(0));
  return async (ms) => {
    for (let passed = 0; passed < ms; passed += 10) {
      clock.tick(10);
      for (let i = 0; i < 20; i++) await Promise.resolve();
    }
  };
}
