import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { GearKind, LotKind } from '@oat-crock/core';

/** Outlines in a box of 40 × 48, standing on its lower edge. */
const OUTLINES: Readonly<Record<LotKind | GearKind, string>> = {
  milk: 'M14 4h12v8l5 6v26a3 3 0 0 1-3 3H12a3 3 0 0 1-3-3V18l5-6z',
  cream: 'M13 8h16l-2 8c5 4 6 9 6 15 0 9-4 16-13 16S7 40 7 31c0-6 1-11 6-15z',
  powder: 'M9 14h22v30a3 3 0 0 1-3 3H12a3 3 0 0 1-3-3z',
  base: 'M8 10h24v34a24 6 0 0 1-24 0z',
  whey: 'M15 3h10v9c6 3 8 8 8 14v18a3 3 0 0 1-3 3H10a3 3 0 0 1-3-3V26c0-6 2-11 8-14z',
  acid: 'M16 3h8v11c4 2 6 5 6 9v21a3 3 0 0 1-3 3H13a3 3 0 0 1-3-3V23c0-4 2-7 6-9z',
  rennet: 'M17 6h6v8c4 2 6 5 6 9v21a3 3 0 0 1-3 3H14a3 3 0 0 1-3-3V23c0-4 2-7 6-9z',
  calcium: 'M17 6h6v8c4 2 6 5 6 9v21a3 3 0 0 1-3 3H14a3 3 0 0 1-3-3V23c0-4 2-7 6-9z',
  salt: 'M11 20h18c4 8 5 18 1 27H10c-4-9-3-19 1-27z',
  flavour: 'M20 47C10 40 8 30 12 22c3-6 6-9 8-17 2 8 5 11 8 17 4 8 2 18-8 25z',
  cloth: 'M6 16c6-4 10 3 15-1s8-3 13 1v28c-5-4-9 3-14 0s-8-4-14 1z',
  other: 'M8 18h24v29H8z',
  culture: 'M13 6h14v6c3 2 5 5 5 9v22a4 4 0 0 1-4 4H12a4 4 0 0 1-4-4V21c0-4 2-7 5-9z',
  pot: 'M5 18h30v23a6 6 0 0 1-6 6H11a6 6 0 0 1-6-6z',
  jar: 'M12 8h16v6c3 1 4 3 4 6v23a4 4 0 0 1-4 4H12a4 4 0 0 1-4-4V20c0-3 1-5 4-6z',
  flask: 'M14 3h12v7c3 1 5 4 5 8v25a4 4 0 0 1-4 4H13a4 4 0 0 1-4-4V18c0-4 2-7 5-8z',
  thermostat: 'M4 14h32v33H4z',
  'lamp-oven': 'M4 10h32v37H4z',
  bath: 'M3 24h34v19a4 4 0 0 1-4 4H7a4 4 0 0 1-4-4z',
  strainer: 'M4 20h32c0 15-7 23-16 23S4 35 4 20z',
  mould: 'M10 22h20l-3 25H13z',
  churn: 'M12 12h16l5 35H7z',
  'cold-shelf': 'M7 3h26v44H7z',
  hob: 'M3 36h34v11H3z',
  counter: 'M2 38h36v9H2z',
};

/** What is drawn on top of the outline, where a kind needs it to be told apart. */
const MARKS: Readonly<Partial<Record<LotKind | GearKind, string>>> = {
  milk: 'M14 12h12',
  cream: 'M29 10c6 0 6 8 1 10',
  base: 'M8 10a24 6 0 0 0 24 0',
  flavour: 'M20 18v27',
  powder: 'M7 14h26M15 24h10',
  acid: 'M10 30h20',
  rennet: 'M20 1v5M11 32h18',
  calcium: 'M17 3h6M11 32h18M11 38h18',
  salt: 'M14 20l2-5h8l2 5',
  culture: 'M12 6h16M12 26q4-4 8 0t8 0',
  pot: 'M1 22h4M35 22h4M5 24h30',
  jar: 'M11 8h18',
  flask: 'M13 10h14M9 34h22',
  thermostat: 'M9 20h22v16H9zM10 42h5',
  'lamp-oven': 'M9 22h22v20H9zM20 26v6',
  bath: 'M3 30c4-3 6 3 11 0s7 3 12 0 7 2 11 0',
  strainer: 'M11 26h1M19 26h1M27 26h1M15 32h1M23 32h1M19 38h1',
  churn: 'M20 2v10M9 34h22',
  mould: 'M15 30h1M23 30h1M19 38h1',
  'cold-shelf': 'M7 20h26M28 9v6M28 25v8',
  hob: 'M9 33h8M23 33h8',
  counter: 'M8 38V24h10v14M24 38V30h8v8',
};

/** A thing of the larder in a few strokes; what is left of it shows as its fill. Decoration beside words. */
@Component({
  selector: 'oc-thing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 40 48" aria-hidden="true">
      <path class="body" [attr.d]="outline()" />
      @if (level() !== null) {
        <g [style.clip-path]="clip()"><path class="fill" [attr.d]="outline()" /></g>
      }
      <path class="edge" [attr.d]="outline()" />
      @if (mark(); as d) {
        <path class="edge" [attr.d]="d" />
      }
    </svg>
  `,
  styles: `
    :host {
      display: inline-block;
      width: 2.4rem;
      flex: none;
    }
    svg {
      display: block;
    }
    .body {
      fill: var(--paper-sunk);
    }
    .fill {
      fill: var(--milk);
    }
    .edge {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.6;
      stroke-linecap: round;
      stroke-linejoin: round;
    }
  `,
})
export class Thing {
  readonly kind = input.required<LotKind | GearKind>();
  /** Share that is left, 0–1; null for what is not used up. */
  readonly level = input<number | null>(null);

  protected readonly outline = computed(() => OUTLINES[this.kind()]);
  protected readonly mark = computed(() => MARKS[this.kind()] ?? null);
  protected readonly clip = computed(() => {
    const empty = 100 * (1 - Math.min(1, Math.max(0, this.level() ?? 0)));
    return `inset(${empty.toFixed(1)}% 0 0 0)`;
  });
}
