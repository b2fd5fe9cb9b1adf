import {
  ALL_NATIVE,
  coolingMinutes,
  coolingSurroundings,
  denatureAlong,
  denaturedBetaLg,
  massesOfMaterial,
  materialFromLabel,
  pasteurisationAlong,
  type CoolingMethod,
  type TracePoint,
} from '@oat-crock/core';

export const denature = ({ trace }: { trace: TracePoint[] }) => {
  const native = denatureAlong(trace, ALL_NATIVE);
  const record = pasteurisationAlong(trace);
  return {
    betaLgPct: 100 * denaturedBetaLg(native),
    alphaLaPct: 100 * (1 - native.alphaLa),
    pasteurised: record.share >= 1,
    pair: record.pair,
  };
};

export const cool = (i: {
  volumeMl: number;
  startC: number;
  targetC: number;
  roomC: number;
  method: CoolingMethod;
}) => ({
  min: coolingMinutes(
    massesOfMaterial(materialFromLabel(3.6, 3.3), i.volumeMl * 1.03),
    i.startC,
    i.targetC,
    coolingSurroundings(i.method, i.volumeMl, i.roomC),
  ),
});
