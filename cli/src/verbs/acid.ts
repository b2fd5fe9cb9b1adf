import {
  acidDose as doseOf,
  bufferMilkOf,
  bufferValue,
  lacticForPh,
  massesOfMaterial,
  materialFromLabel,
  MOLAR_G,
  phForLactic,
  SOUR_AGENTS,
  titratableAcidity,
  type SourAgentId,
} from '@oat-crock/core';
import { InputRefused } from '@oat-crock/contract';

/** The buffering milk of a given protein, of whole-milk fat. */
const milkOf = (proteinPct: number) => bufferMilkOf(massesOfMaterial(materialFromLabel(3.6, proteinPct), 1000));

export const acidity = (i: { proteinPct: number; ph?: number; lacticPct?: number }) => {
  const milk = milkOf(i.proteinPct);
  const ph = i.ph ?? phForLactic(milk, (i.lacticPct! * 10) / MOLAR_G.lactic);
  return {
    ph,
    lacticPct: (lacticForPh(milk, ph) * MOLAR_G.lactic) / 10,
    taPct: titratableAcidity(milk, ph).pctLactic,
    bufferMmolPerKgPh: bufferValue(milk, ph),
  };
};

export const acidDose = (i: {
  massG: number;
  proteinPct: number;
  targetPh: number;
  acid: SourAgentId;
  strengthPct?: number;
}) => {
  const agent = SOUR_AGENTS[i.acid];
  const strengthPct = i.strengthPct ?? agent.strengthPct;
  if (strengthPct < agent.weakestPct || strengthPct > agent.strongestPct) {
    throw new InputRefused([
      {
        field: 'strengthPct',
        message: `${agent.name[0]!.toUpperCase()}${agent.name.slice(1)} of ${strengthPct} % is not to be had.`,
        remedy: `Give ${agent.weakestPct} to ${agent.strongestPct} %; ${agent.strengthPct} % is usual.`,
      },
    ]);
  }
  const { massG, ml, reserve } = doseOf(i.massG, milkOf(i.proteinPct), {}, i.acid, strengthPct, i.targetPh);
  return ml === null ? { g: massG, reserve } : { ml, reserve };
};
