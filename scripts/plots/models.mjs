// What each model looks like, worked out by the engine itself: one plot a model.

/** @returns {Record<string, object>} plots by file name, for draw() */
export function modelPlots(core) {
  const range = (from, to, count = 81) =>
    Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1));
  const curve = (name, xs, of, more = {}) => ({ name, points: xs.map((x) => [x, of(x)]), ...more });
  const whole = core.massesOfMaterial(core.referenceStock('whole'), 1030 * 4);
  const milk = core.bufferMilkOf(whole);
  const rich = { ...milk, proteinGPerKg: 2 * milk.proteinGPerKg };

  const souring = (id, dosePct, tempC, hours, targets = []) => {
    const culture = core.CULTURES[id];
    const law = core.souringLaw(culture, milk);
    const crock = core.souringCrock(law, {
      biomass: (dosePct / 100) * culture.biomassPerDose,
      lagQ: culture.lagQActive,
      lacticMolPerKg: (dosePct / 100) * core.STARTER_LACTIC_MOL_PER_KG,
    });
    core.keepAt(law, crock, tempC);
    const points = [[0, crock.ph]];
    for (let min = 10; min <= hours * 60; min += 10) {
      core.sourStep(law, crock, 10);
      points.push([min / 60, crock.ph]);
    }
    return { name: `${tempC} °C, ${dosePct} %`, points, targets };
  };

  const cooling = (name, method) => {
    const around = core.coolingSurroundings(method, 4000, 20);
    let tempC = 90;
    const points = [[0, tempC]];
    for (let min = 1; min <= 180; min++) {
      tempC = core.thermalStep(whole, tempC, around, 0, 1).tempC;
      points.push([min, tempC]);
    }
    return { name, points };
  };

  const draining = (name, method, tempC) => {
    const course = core.drainageCourse({ massG: 1000, solids: 0.13, fat: 0.036, wheySolids: 0.063, method, tempC });
    return curve(name, range(0, 24), (h) => core.wheyAfter(course, h * 60));
  };

  const window = (name, readings, more) => {
    const culture = core.CULTURES.thermophilic;
    const forecast = core.forecastSouring(
      {
        law: core.souringLaw(culture, milk),
        biomass: 0.025,
        lagQ: 1,
        lacticMolPerKg: 0.002,
        tempC: 43,
        place: { aroundC: 43, tauMin: 120 },
        targetPh: 4.6,
        gelPh: 5.28,
        horizonMin: 10 * 60,
      },
      readings,
      { members: 2000, seed: 1, fanPoints: 61 },
    );
    return ['p10', 'p90'].map((q) => ({
      name: `${name}, ${q.toUpperCase()}`,
      points: forecast.fan.map((f) => [f.min / 60, f[q]]),
      ...more,
    }));
  };

  return {
    density: {
      x: { label: 'fat, % by mass' },
      y: { label: 'density, g/mL' },
      series: [5, 20, 40].map((t) =>
        curve(`${t} °C`, range(0, 48), (fat) =>
          core.materialDensity(core.materialFromLabel(fat, 3.4 * (1 - fat / 100)), t),
        ),
      ),
    },
    denaturation: {
      x: { label: 'minutes at a temperature' },
      y: { label: 'β-lactoglobulin unfolded, %', from: 0, to: 100 },
      series: [63, 72, 76, 80, 85, 90].map((t) =>
        curve(`${t} °C`, range(0, 30), (min) => 100 * core.denaturedBetaLg(core.denature(core.ALL_NATIVE, t, min))),
      ),
    },
    cooling: {
      x: { label: 'minutes; 4 L from 90 °C in a room of 20 °C' },
      y: { label: '°C', from: 0, to: 100 },
      series: [
        cooling('covered', 'covered'),
        cooling('open', 'open'),
        cooling('cold water', 'water-bath'),
        cooling('ice, stirred', 'ice-bath'),
      ],
      rules: [{ y: 45, text: 'starter goes in' }],
    },
    acid: {
      x: { label: 'lactic acid, %' },
      y: { label: 'pH', from: 3.6, to: 7 },
      series: [
        ['cow’s milk', milk],
        ['twice the protein', rich],
        ['goat’s milk', { ...milk, freshPh: core.FRESH_PH.goat }],
      ].map(([name, of]) =>
        curve(name, range(0, 1.6), (pct) => core.phForLactic(of, (pct * 10) / core.MOLAR_G.lactic)),
      ),
    },
    buffering: {
      x: { label: 'pH' },
      y: { label: 'buffer value, mmol/(kg·pH)', from: 0 },
      series: [
        curve('milk', range(3.8, 7), (ph) => core.bufferValue(milk, ph)),
        curve('twice the protein', range(3.8, 7), (ph) => core.bufferValue(rich, ph)),
      ],
    },
    'acid-dose': {
      x: { label: 'pH wanted' },
      y: { label: 'mL to 1 L of whole milk', from: 0 },
      series: [
        ['lemon juice, 5.5 %', 'lemon', 5.5],
        ['vinegar, 5 %', 'vinegar', 5],
      ].map(([name, agent, strength]) =>
        curve(name, range(5.2, 6.2), (ph) => core.acidDose(1031, milk, {}, agent, strength, ph).ml),
      ),
    },
    warmth: {
      x: { label: '°C' },
      y: { label: 'growth, share of the fastest', from: 0, to: 1 },
      series: Object.values(core.CULTURES).map((c) => curve(c.id, range(0, 55), (t) => core.cardinalRate(c.growth, t))),
    },
    'souring-yogurt': {
      x: { label: 'hours' },
      y: { label: 'pH', from: 4, to: 6.8 },
      series: [30, 38, 43, 50].map((t) => souring('thermophilic', 2.5, t, 18)),
      rules: [{ y: 4.6, text: 'pH 4.6' }],
    },
    'souring-butter': {
      x: { label: 'hours' },
      y: { label: 'pH', from: 4, to: 6.8 },
      series: [
        souring('mesophilic', 2, 18, 30),
        souring('mesophilic', 1.25, 21.5, 30),
        souring('mesophilic', 3, 26.5, 30),
        souring('mesophilic', 5.5, 31.5, 30),
      ],
      rules: [{ y: 4.7, text: 'pH 4.7' }],
    },
    rennet: {
      x: { label: '°C' },
      y: { label: 'minutes to flocculation', from: 0, to: 120 },
      series: [
        ['40 IMCU/kg, pH 6.5', 40, 6.5],
        ['40 IMCU/kg, pH 6.2', 40, 6.2],
        ['20 IMCU/kg, pH 6.5', 20, 6.5],
      ].map(([name, dose, ph]) => curve(name, range(16, 44), (t) => core.flocculationMin(dose, t, ph))),
    },
    firmness: {
      x: { label: 'pH fallen below 5.6' },
      y: { label: 'firmness index', from: 0, to: 100 },
      series: [
        ['85 °C 15 min, 43 °C', { denatured: 0.97, setTempC: 43 }],
        ['set at 38 °C', { denatured: 0.97, setTempC: 38 }],
        ['unheated', { denatured: 0.02, setTempC: 43 }],
        ['stirred while it set', { denatured: 0.97, setTempC: 43, disturbed: 1 }],
      ].map(([name, gel]) => ({
        name,
        points: range(0, 1.6).map((fall) => [
          fall,
          core.firmnessIndex({ caseinPct: 2.7, fatPct: 3.6, disturbed: 0, ...gel, ph: 5.6 - fall }),
        ]),
      })),
    },
    draining: {
      x: { label: 'hours; 1 kg of whole-milk yogurt' },
      y: { label: 'whey, g', from: 0 },
      series: [
        draining('pressed, cold', 'pressed', 4),
        draining('hung, 20 °C', 'hung', 20),
        draining('hung, cold', 'hung', 4),
        draining('flat, cold', 'flat', 4),
      ],
    },
    churning: {
      x: { label: 'temperature of churning, °C' },
      y: { label: 'minutes to break', from: 0 },
      series: [30, 36, 42].map((fatPct) =>
        curve(`${fatPct} % fat`, range(9, 20), (tempC) => core.churnMinutes({ fatPct, tempC, ph: 4.7 })),
      ),
    },
    crust: {
      x: { label: 'hours of scalding' },
      y: { label: 'crust, share of the cream', from: 0 },
      series: [48, 42, 36].map((fat) =>
        curve(`${fat} % fat`, range(2, 16), (h) => core.scaldedCrust(1000, 10 * fat, h, 'lift').topG / 1000),
      ),
    },
    activity: {
      x: { label: 'days in store' },
      y: { label: 'activity, share of fresh', from: 0, to: 1 },
      series: [
        ['powder, cold', { form: 'freeze-dried', store: 'cold' }],
        ['grains in milk, cold', { form: 'grains', store: 'cold' }],
        ['frozen', { form: 'active', store: 'frozen' }],
        ['live, cold', { form: 'active', store: 'cold' }],
        ['live, in the room', { form: 'active', store: 'room' }],
      ].map(([name, starter]) => curve(name, range(0, 40), (ageDays) => core.starterActivity({ ...starter, ageDays }))),
    },
    window: {
      x: { label: 'hours' },
      y: { label: 'pH', from: 4, to: 6.8 },
      series: [
        ...window('nothing read', [], { dashed: true }),
        ...window('pH 5.5 at 2½ h', [{ min: 150, ph: 5.5, by: 'meter' }], {}),
      ],
      rules: [{ y: 4.6, text: 'wanted' }],
    },
  };
}
