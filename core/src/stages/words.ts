/** Amounts as a maker says them: one sensible precision, always with the unit. */
export function sayMass(massG: number): string {
  if (massG >= 10_000) return `${(massG / 1000).toFixed(1)} kg`;
  if (massG >= 1000) return `${(massG / 1000).toFixed(2)} kg`;
  if (massG >= 100) return `${Math.round(massG / 5) * 5} g`;
  return massG >= 10 ? `${Math.round(massG)} g` : `${massG.toFixed(1)} g`;
}

/** A number that somebody typed or that was worked out, to at most so many decimals and no noughts after them: "3", "2.5". */
export function sayNumber(value: number, decimals = 1): string {
  return String(Number(value.toFixed(decimals)));
}

export function sayTemp(tempC: number): string {
  return `${Math.round(tempC)} °C`;
}

/** A duration: "35 min", "3 h 20", "2 days". */
export function sayDuration(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  const rounded = whole >= 600 ? Math.round(whole / 10) * 10 : whole;
  const hours = Math.floor(rounded / 60);
  const rest = rounded % 60;
  if (hours >= 72) return `${Math.round(hours / 24)} days`;
  return rest ? `${hours} h ${String(rest).padStart(2, '0')}` : `${hours} h`;
}

export function sayPots(count: number, what = 'pot'): string {
  return count === 1 ? `1 ${what}` : `${count} ${what}s`;
}

/** A small volume: "0.6 mL", "45 mL". */
export function sayMl(ml: number): string {
  return ml < 10 ? `${ml.toFixed(1)} mL` : `${Math.round(ml)} mL`;
}

/** A sentence's first letter. */
export function capital(text: string): string {
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
}
