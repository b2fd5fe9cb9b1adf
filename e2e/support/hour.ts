/** When and where the kitchens of the tests are: as if they were opened at this local time, in this zone. */
export const HOUR = {
  start: process.env['E2E_START'] ?? '2026-05-08T16:00',
  zone: process.env['E2E_ZONE'] ?? 'America/St_Johns',
} as const;
