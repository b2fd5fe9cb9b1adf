import { starterAdvice, vitality as vitalityOf, type Starter } from '@oat-crock/core';

export const vitality = (starter: Starter) => ({
  relative: vitalityOf(starter),
  advice: starterAdvice(starter),
});
