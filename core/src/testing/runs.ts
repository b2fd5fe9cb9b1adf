/** How often a property is tried in a deep run, for each time it is tried in a quick one. */
const DEEP_TIMES = 10;

/** Set by whoever starts the tests: Karma in the browser, Jasmine's set-up on Node. */
interface TestedIn {
  readonly __karma__?: { readonly config?: { readonly deep?: boolean } };
  readonly oatCrockDeep?: boolean;
}

/** True where all that can be tried is tried (`npm run test:deep`), not a sample of it. */
export function isDeep(): boolean {
  const tested = globalThis as TestedIn;
  return tested.oatCrockDeep ?? tested.__karma__?.config?.deep ?? false;
}

/** How often a property is tried, which is tried so often in a quick run. */
export const runs = (quick: number): number => quick * (isDeep() ? DEEP_TIMES : 1);

/** How often a property that says nothing else is tried in a quick run. */
export const USUAL_RUNS = 50;
