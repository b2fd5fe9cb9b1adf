// The souring that the bench and the profile both work on.
export const usualProblem = (core) => ({
  law: core.souringLaw(core.CULTURES.thermophilic, { proteinGPerKg: 33, mineralsGPerKg: 7.3, freshPh: 6.65 }),
  biomass: 0.025,
  lagQ: 1,
  lacticMolPerKg: 0.002,
  tempC: 43,
  place: { aroundC: 43, tauMin: 120 },
  targetPh: 4.6,
  gelPh: 5.28,
  horizonMin: 24 * 60,
});
