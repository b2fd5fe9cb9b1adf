/** The only place on the server that asks this machine for its clock and its time zone. Everything else is handed them. */

/** Now by this machine's clock, ms since the epoch. */
export const machineNowMs = (): number => Date.now();

/** The time zone this machine is set to, by its IANA name. */
export const machineZone = (): string => new Intl.DateTimeFormat().resolvedOptions().timeZone;
