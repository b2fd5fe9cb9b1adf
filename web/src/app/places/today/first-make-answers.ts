import { FIRST_METHOD_ID, say, type Choices, type Text } from '@oat-crock/core';
import type { Shape } from '../../shared/ui/look-shapes';

/** An answer to one of the first questions: what it is called, how it is drawn, what it says of itself. */
export interface Answer<I extends string> {
  readonly id: I;
  readonly label: Text;
  readonly why: Text;
  readonly drawn: readonly Shape[];
}

export type KeeperId = 'thermostat' | 'lamp-oven' | 'flask' | 'wrapped';
export type StarterId = 'yogurt' | 'powder' | 'buttermilk' | 'none';

const edge = (d: string): Shape => ({ d, is: 'edge' });
const milk = (d: string): Shape => ({ d, is: 'milk' });
const thin = (d: string): Shape => ({ d, is: 'thin' });

/** What keeps it warm. */
export const KEEPERS: readonly Answer<KeeperId>[] = [
  {
    id: 'thermostat',
    label: say('page.today.firstMake.thermostat'),
    why: say('page.today.firstMake.thermostatWhy'),
    drawn: [milk('M9 9h12v9H9z'), edge('M4 5h22v15H4z'), thin('M4 8h22'), edge('M22 13a1.500 1.500 0 1 0 .01 0')],
  },
  {
    id: 'lamp-oven',
    label: say('page.today.firstMake.lampOven'),
    why: say('page.today.firstMake.lampOvenWhy'),
    drawn: [edge('M5 3h20v18H5z'), edge('M8 8h14v10H8z'), milk('M12 13h6v5h-6z'), thin('M15 8v2m-2 1l1-1m3 1l-1-1')],
  },
  {
    id: 'flask',
    label: say('page.today.firstMake.flask'),
    why: say('page.today.firstMake.flaskWhy'),
    drawn: [milk('M12 9h6v11h-6z'), edge('M11 7h8v14h-8z'), edge('M12.500 3h5v4h-5z')],
  },
  {
    id: 'wrapped',
    label: say('page.today.firstMake.wrapped'),
    why: say('page.today.firstMake.wrappedWhy'),
    drawn: [milk('M10 9h10v9H10z'), edge('M4 21V8q11-8 22 0v13z'), thin('M7 20V10q8-6 16 0v10')],
  },
];

/** What is there to sour it with. */
export const STARTERS: readonly Answer<StarterId>[] = [
  {
    id: 'yogurt',
    label: say('page.today.firstMake.yogurt'),
    why: say('page.today.firstMake.yogurtWhy'),
    drawn: [milk('M8 9h14l-2 12H10z'), edge('M8 9h14l-2 12H10z'), edge('M7 7h16v2H7z'), edge('M22 2l-5 9')],
  },
  {
    id: 'powder',
    label: say('page.today.firstMake.powder'),
    why: say('page.today.firstMake.powderWhy'),
    drawn: [edge('M8 4h14v17H8z'), thin('M8 7h14'), thin('M12 12h6m-6 3h6')],
  },
  {
    id: 'buttermilk',
    label: say('page.today.firstMake.buttermilk'),
    why: say('page.today.firstMake.buttermilkWhy'),
    drawn: [milk('M10 11h10v10H10z'), edge('M12 3h6v4l2 4v10H10V11l2-4z')],
  },
  {
    id: 'none',
    label: say('page.today.firstMake.none'),
    why: say('page.today.firstMake.noneWhy'),
    drawn: [{ d: 'M5 13q10-12 20 0q-10 10-20 0z', is: 'whey' }, edge('M5 13q10-12 20 0q-10 10-20 0z')],
  },
];

/** The make that suits a beginner who has answered so, and what is chosen for it. */
export function firstMakeOf(
  keeper: KeeperId,
  starter: StarterId,
  massG: number,
): { readonly methodId: string; readonly choices: Choices } {
  if (starter === 'none') return { methodId: 'acid-heat-curd', choices: { massG, blendBy: 'milk' } };
  if (starter === 'buttermilk')
    return { methodId: 'clabber', choices: { massG, milk: 'whole', seeding: 'mesophilic', skim: 'no' } };
  const form = starter === 'powder' ? 'freeze-dried' : 'active';
  return { methodId: FIRST_METHOD_ID, choices: { massG, keeper, form } };
}
