import {
  cheapestBlend,
  materialDensity,
  snfPct,
  type BlendMaterial,
  type BlendTarget,
  type Material,
} from '@oat-crock/core';

export const density = ({ material, tempC }: { material: Material; tempC: number }) => ({
  gPerMl: materialDensity(material, tempC),
  snfPct: snfPct(material),
});

export const blend = (i: { materials: BlendMaterial[]; target: BlendTarget }) => cheapestBlend(i.materials, i.target);
