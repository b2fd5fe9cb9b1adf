/** The components a crock is reckoned in. All masses are grams. */
export const COMPONENTS = [
  'water',
  'fat',
  'casein',
  'wheyProtein',
  'lactose',
  'galactose',
  'glucose',
  'minerals',
  'lactic',
  'citric',
  'acetic',
  'ethanol',
  'sucrose',
  'salt',
  'other',
] as const;

export type Component = (typeof COMPONENTS)[number];

/** Mass of each component in grams. */
export type Masses = Readonly<Record<Component, number>>;

/** Masses from a function of the component. Written out: a literal makes objects of one shape, which the engine's millions of steps need. */
export function massesBy(massOf: (component: Component) => number): Masses {
  return {
    water: massOf('water'),
    fat: massOf('fat'),
    casein: massOf('casein'),
    wheyProtein: massOf('wheyProtein'),
    lactose: massOf('lactose'),
    galactose: massOf('galactose'),
    glucose: massOf('glucose'),
    minerals: massOf('minerals'),
    lactic: massOf('lactic'),
    citric: massOf('citric'),
    acetic: massOf('acetic'),
    ethanol: massOf('ethanol'),
    sucrose: massOf('sucrose'),
    salt: massOf('salt'),
    other: massOf('other'),
  };
}

/** No mass of anything. */
export const NOTHING: Masses = massesBy(() => 0);

/** Total mass in grams. */
export function totalG(m: Masses): number {
  const milk = m.water + m.fat + m.casein + m.wheyProtein + m.lactose + m.galactose + m.glucose + m.minerals;
  return milk + m.lactic + m.citric + m.acetic + m.ethanol + m.sucrose + m.salt + m.other;
}

/** a + factor · b, component by component. Written out: every draining and every step of a make comes through here. */
export function addScaled(a: Masses, b: Masses, factor: number): Masses {
  return {
    water: a.water + factor * b.water,
    fat: a.fat + factor * b.fat,
    casein: a.casein + factor * b.casein,
    wheyProtein: a.wheyProtein + factor * b.wheyProtein,
    lactose: a.lactose + factor * b.lactose,
    galactose: a.galactose + factor * b.galactose,
    glucose: a.glucose + factor * b.glucose,
    minerals: a.minerals + factor * b.minerals,
    lactic: a.lactic + factor * b.lactic,
    citric: a.citric + factor * b.citric,
    acetic: a.acetic + factor * b.acetic,
    ethanol: a.ethanol + factor * b.ethanol,
    sucrose: a.sucrose + factor * b.sucrose,
    salt: a.salt + factor * b.salt,
    other: a.other + factor * b.other,
  };
}

export function addMasses(a: Masses, b: Masses): Masses {
  return addScaled(a, b, 1);
}

export function subtractMasses(a: Masses, b: Masses): Masses {
  return addScaled(a, b, -1);
}

export function scaleMasses(a: Masses, factor: number): Masses {
  return massesBy((c) => a[c] * factor);
}

/** Mass fraction (0–1) of one component; 0 for an empty crock. */
export function fractionOf(masses: Masses, component: Component): number {
  const total = totalG(masses);
  return total > 0 ? masses[component] / total : 0;
}

/** Mass fraction (0–1) of everything that is not water. */
export function solidsFraction(masses: Masses): number {
  const total = totalG(masses);
  return total > 0 ? 1 - masses.water / total : 0;
}

/** Protein (casein and whey protein) in g per g of crock. */
export function proteinFraction(masses: Masses): number {
  const total = totalG(masses);
  return total > 0 ? (masses.casein + masses.wheyProtein) / total : 0;
}
