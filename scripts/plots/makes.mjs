// What the engine makes of whole stages and of what comes after: one plot a model, beside those of models.mjs.

/** @returns {Record<string, object>} plots by file name, for draw() */
export function makePlots(core) {
  const range = (from, to, count = 61) =>
    Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1));
  const run = (kind, params, from, environment = core.USUAL_ENVIRONMENT) =>
    core.runStage(core.bind({ id: kind, kind, params }), from, environment);
  const after = (...args) => core.lastOf(run(...args));
  const milkOf = (massG) => after('blend', { massG }, core.coldCrock(core.USUAL_ENVIRONMENT));
  const milk = milkOf(4000);
  const hours = (states, of) => states.map((s) => [(s.minute - states[0].minute) / 60, of(s)]);

  const heating = (name, massG) => {
    const { states } = run('heat', { targetC: 85 }, milkOf(massG));
    return { name, points: states.map((s) => [s.minute - states[0].minute, s.tempC]) };
  };

  const together = (name, cultures) => {
    const warmed = after('heat', { targetC: 22, paceCPerMin: 1 }, milk);
    const sown = after('inoculate', { culture: cultures[0], beside: cultures[1] ?? 'none', dosePct: 3 }, warmed);
    const { states } = run('incubate', { keeper: 'counter', keepC: 22, targetPh: 4.5 }, sown);
    return { name, points: hours(states, (s) => s.ph) };
  };

  const bottle = (name, headspacePct, sugarPct) => {
    const warmed = after('heat', { targetC: 22, paceCPerMin: 1 }, milk);
    const kefir = after('inoculate', { culture: 'kefir-grains', dosePct: 5 }, warmed);
    const sour = after('incubate', { keeper: 'counter', keepC: 22, targetPh: 4.5 }, kefir);
    const { states } = run('second-ferment', { hours: 36, headspacePct, sugarPct }, sour);
    return { name, points: hours(states, (s) => core.bottlePressureBar(states[0], s, headspacePct)) };
  };

  const hot = after('heat', { targetC: 90 }, milk);
  const parts = (name, agent, targetPh, count) => {
    const { states } = run('acidify', { agent, targetPh, parts: count }, hot);
    const minutes = states.map((s) => s.minute - states[0].minute);
    const points = states.flatMap((s, i) =>
      (i === 0 ? [[0, hot.ph]] : [[minutes[i], states[i - 1].ph]]).concat([[minutes[i], s.ph]]),
    );
    return { name, points };
  };

  const curd = core.bufferMilkOf(core.massesOfMaterial(core.referenceStock('whole'), 1000));
  const strong = { ...curd, proteinGPerKg: 6 * curd.proteinGPerKg };
  const soda = (name, of, lactic) => {
    const from = core.phForLactic(of, lactic);
    return {
      name,
      points: range(from, 6.2).map((ph) => [ph, core.sodaForPh(1000, of, { lactic }, from, ph).sodaG]),
    };
  };

  // A kilo of grains traps some 16 % of water as serum.
  const washes = (waterG) => ({
    name: `${waterG} g water a kg`,
    points: range(0, 6, 7).map((n) => [n, 100 * core.serumAfterWashing(160, new Array(n).fill(waterG))]),
  });

  const keeps = (name, state) => ({ name, points: range(1, 15).map((c) => [c, core.shelfLife(state, c).days]) });
  const sour = { ...milk, ph: 4.5 };

  const PACE = { scores: ['pace'], owners: ['culture'], persists: [core.PERSISTS.pace] };
  const paceRead = (sd) => ({
    ...PACE,
    before: { mean: [0], sd: [1] },
    taught: { mean: [0], sd: [sd], covariance: [sd * sd] },
  });
  const taught = (name, sd) => ({
    name,
    points: range(0, 12, 13).map((n) => [
      n,
      core.recall(core.pooled(Array.from({ length: n }, () => paceRead(sd))), PACE, { mean: [0], sd: [1] }).sd[0],
    ]),
  });

  return {
    heating: {
      x: { label: 'minutes on the hob, lid on' },
      y: { label: '°C', from: 0, to: 90 },
      series: [1000, 4000, 8000].map((g) => heating(`${g / 1000} kg`, g)),
    },
    together: {
      x: { label: 'hours at 22 °C, 3 % in all' },
      y: { label: 'pH', from: 4.4, to: 6.8 },
      series: [
        together('butter culture', ['mesophilic']),
        together('half and half', ['mesophilic', 'kefir-grains']),
        together('kefir', ['kefir-grains']),
      ],
    },
    bottle: {
      x: { label: 'hours in the bottle' },
      y: { label: 'bar above the air', from: 0 },
      series: [bottle('15 % empty', 15, 0), bottle('30 % empty', 30, 0), bottle('15 %, sugared 2 %', 15, 2)],
      rules: [{ y: 3, text: 'may burst' }],
    },
    'acid-parts': {
      x: { label: 'minutes from the first part' },
      y: { label: 'pH', from: 5.2, to: 6.8 },
      series: [parts('lemon in 3, to 5.8', 'lemon', 5.8, 3), parts('vinegar in 6, to 5.35', 'vinegar', 5.35, 6)],
    },
    soda: {
      x: { label: 'pH wanted' },
      y: { label: 'soda, g a kg of curd', from: 0 },
      series: [soda('drained curd', strong, 0.14), soda('soured milk', curd, 0.09)],
    },
    rising: {
      x: { label: 'hours at rest' },
      y: { label: 'cream of 22 % from 1 kg, g', from: 0 },
      series: [4.5, 3.6, 2].map((fat) => ({
        name: `milk of ${fat} % fat`,
        points: range(0, 36).map((h) => [h, core.risenCream(1000, 10 * fat, h).topG]),
      })),
    },
    washing: {
      x: { label: 'washes' },
      y: { label: 'serum left in the grains, %', from: 0 },
      series: [250, 500, 1000].map(washes),
      rules: [{ y: 2, text: 'clear' }],
    },
    keeping: {
      x: { label: 'temperature of the store, °C' },
      y: { label: 'days', from: 0 },
      series: [
        keeps('sour, pH 4.3', { ...sour, ph: 4.3 }),
        keeps('sour, pH 4.6', { ...sour, ph: 4.6 }),
        keeps('fresh curd', { ...milk, ph: 5.6 }),
      ],
    },
    learning: {
      x: { label: 'batches that have taught' },
      y: { label: 'spread of the next culture’s pace, share of the first', from: 0, to: 1 },
      series: [taught('looked at each', 0.6), taught('read thrice each', 0.25)],
    },
  };
}
