import { starterAdvice, starterActivity, type Starter } from '@oat-crock/core';

export const vitality = (starter: Starter) => ({
  relative: starterActivity(starter),
  advice: starterAdvice(starter),
});
