import {
  acidity as acidityOf,
  amount as amountOf,
  isGoods,
  listOf,
  type MakeSheet,
  percent,
  SAFE_PH,
  type SouringForecast,
  temp as tempOf,
  weighed,
} from '@oat-crock/core';
import { textOf, tell, titled } from '../../shared/ui/said';
import {
  acidity,
  clockTime,
  grams,
  listed,
  mass,
  number,
  pricePer,
  span,
  tasteOf,
  toFive,
  windowWords,
} from '../../shared/ui/words';

const MIN_MS = 60_000;
/** Less than this in 100 g is not worth a word. */
const TRACE_OF_ALCOHOL_G = 0.05;

/** One line of what comes of a make. */
export interface Fact {
  readonly what: string;
  readonly value: string;
  readonly more: string;
  /** To be looked into on the page; the sheet on the wall does without it. */
  readonly notOnPaper?: true;
}

/** What is left when its pots are full is worth a word from this share of a pot on. */
const OVER_SHARE = 0.1;

/** How many pots it fills, and what is over. */
function filled({ massG, pots, firmnessWord: sets }: MakeSheet['product'], potG: number): string {
  const overG = massG - pots * potG;
  return overG > OVER_SHARE * potG
    ? tell('page.methods.sheetFacts.fillsAndOver', { pots, over: mass(overG), sets })
    : tell('page.methods.sheetFacts.fills', { pots, sets });
}

/** All that can be said of what never comes to its end. */
const unfinished = (): Fact => ({
  what: tell('page.methods.sheetFacts.product'),
  value: tell('page.methods.sheetFacts.none'),
  more: tell('page.methods.sheetFacts.chosenNeverComesEnd'),
});

/** Less sugar than this (g) eaten, and there is no culture to speak of. */
const EATEN_FROM_G = 0.5;

/** Where the sugar went, of what a culture has lived on. */
function sugarBalance(balance: MakeSheet['balance']): readonly Fact[] {
  if (balance.sugar.eatenG < EATEN_FROM_G) return [];
  return [
    {
      what: tell('page.methods.sheetFacts.sugarBalance'),
      value: mass(balance.sugar.leftG),
      more: tell('page.methods.sheetFacts.sugarInWheyEaten', {
        in: weighed(balance.sugar.inG),
        whey: weighed(balance.sugar.wheyG + balance.sugar.elsewhereG),
        runsOff: balance.wheyG > 0 ? 'yes' : 'no',
        eaten: weighed(balance.sugar.eatenG),
      }),
      notOnPaper: true,
    },
  ];
}

/** Why it may stand so long where it is warm: from when acid guards it, and what guards it until then. */
function guarded(souring: MakeSheet['souring']): readonly Fact[] {
  if (!souring || souring.guardedAfterMin === null) return [];
  return [
    {
      what: tell('page.methods.sheetFacts.whySafe'),
      value: tell('page.methods.sheetFacts.acidAfter', { after: span(souring.guardedAfterMin) }),
      more: tell('page.methods.sheetFacts.starterMustLive', { safe: acidityOf(SAFE_PH, 1) }),
      notOnPaper: true,
    },
  ];
}

/**
 * What comes of a make: product, by-products, sourness, food value, life, cost.
 *
 * @param keepsLonger how much longer than what it is made of, in words; empty where nobody can say
 */
export function factsOf(sheet: MakeSheet, currency: string, keepsLonger = ''): readonly Fact[] {
  const { product, nutrition, cost, byproducts, keeps, choices, balance } = sheet;
  if (!keeps) return [unfinished()];
  const money = (amount: number) => `${currency} ${number(amount, 2)}`;
  const potG = Number(choices['potG']);
  const inPot = (in100: number) => (in100 * potG) / 100;
  return [
    {
      what: tell('page.methods.sheetFacts.product'),
      value: mass(product.massG),
      more: filled(product, potG),
    },
    ...byproducts.map((left) => ({ what: titled(left.name), value: mass(left.massG), more: textOf(left.use) })),
    {
      what: tell('page.methods.sheetFacts.sourness'),
      value: acidity(product.ph),
      more: tell('page.methods.sheetFacts.onceColdThrough', { ph: tasteOf(product.ph) }),
    },
    ...guarded(sheet.souring),
    {
      what: tell('page.methods.sheetFacts.sugarsLeft'),
      value: grams(nutrition.sugarsG, 1),
      more: tell('page.methods.sheetFacts.perGLactoseGalactose', {
        lactose: amountOf(nutrition.lactoseG, 1),
        galactose: amountOf(nutrition.galactoseG, 1),
        glucose: amountOf(nutrition.glucoseG, 1),
        split: nutrition.glucoseG >= 0.05 ? 'yes' : 'no',
      }),
    },
    ...sugarBalance(balance),
    {
      what: tell('page.methods.sheetFacts.inG'),
      value: tell('page.methods.sheetFacts.kcal', { energy: amountOf(nutrition.energyKcal, 0) }),
      more: listed([
        tell('page.methods.sheetFacts.fat', { fat: grams(nutrition.fatG, 1) }),
        tell('page.methods.sheetFacts.saturates', { saturates: grams(nutrition.saturatesG, 1) }),
        tell('page.methods.sheetFacts.protein', { protein: grams(nutrition.proteinG, 1) }),
        tell('page.methods.sheetFacts.salt', { salt: grams(nutrition.saltG, 1) }),
        ...(nutrition.alcoholG >= TRACE_OF_ALCOHOL_G
          ? [tell('page.methods.sheetFacts.alcohol', { alcohol: grams(nutrition.alcoholG, 1) })]
          : []),
      ]),
    },
    {
      what: tell('page.methods.sheetFacts.inAPot'),
      value: tell('page.methods.sheetFacts.kcal', { energy: amountOf(inPot(nutrition.energyKcal), 0) }),
      more: listed([
        tell('page.methods.sheetFacts.fat', { fat: grams(inPot(nutrition.fatG), 0) }),
        tell('page.methods.sheetFacts.protein', { protein: grams(inPot(nutrition.proteinG), 0) }),
        tell('page.methods.sheetFacts.sugars', { sugars: grams(inPot(nutrition.sugarsG), 0) }),
      ]),
    },
    {
      what: tell('page.methods.sheetFacts.keeps'),
      value: tell('page.methods.sheetFacts.days', { count: keeps.days }),
      more: `${tell('page.methods.sheetFacts.keepsCold', { cold: tempOf(keeps.storeC), why: keeps.why })} ${keepsLonger}`.trim(),
    },
    {
      what: tell('page.methods.sheetFacts.cost'),
      value: tell('page.methods.sheetFacts.aPot', { price: money(cost.perPot) }),
      more:
        cost.savedAgainstShop >= 0
          ? tell('page.methods.sheetFacts.cheaper', {
              per: pricePer(cost.perKg, currency),
              by: money(cost.savedAgainstShop),
            })
          : tell('page.methods.sheetFacts.dearer', {
              per: pricePer(cost.perKg, currency),
              by: money(-cost.savedAgainstShop),
            }),
    },
    {
      what: tell('page.methods.sheetFacts.wholeMake'),
      value: money(cost.outlay),
      more: tell('page.methods.sheetFacts.forAllOfIt', {
        products: listOf([
          mass(product.massG),
          ...byproducts
            .filter(isGoods)
            .map((left) => tell('page.methods.sheetFacts.ofIt', { mass: mass(left.massG), name: left.name })),
        ]),
        worth: money(cost.besidesWorth),
        priced: cost.besidesWorth > 0 ? 'yes' : 'no',
      }),
      notOnPaper: true,
    },
  ];
}

/** How sour it is when the clock ends it: "07:00, then pH 4.42 (4.30 to 4.58), tangy". */
function sourBy({ endMin, ph }: NonNullable<NonNullable<MakeSheet['souring']>['byClock']>, startMs: number): string {
  return tell('page.methods.sheetFacts.sourBy', {
    at: clockTime(toFive(startMs + endMin * MIN_MS), startMs),
    ph: acidityOf(ph.p50),
    from: acidityOf(ph.p10),
    to: acidityOf(ph.p90),
    taste: tasteOf(ph.p50),
  });
}

/** What has drained when the clock ends it. */
function drainedBy(
  { endMin, wheyG, solidsPct }: NonNullable<NonNullable<MakeSheet['straining']>['byClock']>,
  startMs: number,
): string {
  return tell('page.methods.sheetFacts.drainedBy', {
    at: clockTime(toFive(startMs + endMin * MIN_MS), startMs),
    whey: weighed(wheyG),
    solids: percent(solidsPct, 0),
  });
}

/** The ready windows in words: sour enough, thick enough. */
export function windowsOf(
  { souring, straining }: MakeSheet,
  startMs: number,
): readonly { what: string; words: string }[] {
  const at = (beginMin: number, f: Pick<SouringForecast, 'p10Min' | 'p50Min' | 'p90Min'> & { deadChance?: number }) => {
    const ms = (min: number | null) => (min === null ? null : startMs + (beginMin + min) * MIN_MS);
    const { deadChance = 0 } = f;
    return windowWords({ p10Ms: ms(f.p10Min), p50Ms: ms(f.p50Min), p90Ms: ms(f.p90Min), deadChance }, startMs);
  };
  return [
    ...(souring
      ? [
          souring.byClock
            ? { what: tell('page.methods.sheetFacts.soursUntil'), words: sourBy(souring.byClock, startMs) }
            : { what: tell('page.methods.sheetFacts.sourEnough'), words: at(souring.beginMin, souring.forecast) },
        ]
      : []),
    ...(straining
      ? [
          straining.byClock
            ? { what: tell('page.methods.sheetFacts.drainsUntil'), words: drainedBy(straining.byClock, startMs) }
            : { what: tell('page.methods.sheetFacts.thickEnough'), words: at(straining.beginMin, straining.forecast) },
        ]
      : []),
  ];
}
