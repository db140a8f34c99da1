/** The day a ledger's new entries get, as 2026-03-01; SOURCE_DATE_EPOCH stands in for the clock where it is set. */
export function today(): string {
  const seconds = Number(process.env.SOURCE_DATE_EPOCH);
  const now =
    process.env.SOURCE_DATE_EPOCH && Number.isFinite(seconds) ? new Date(seconds * 1000) : new Date();
  return now.toISOString().slice(0, 10);
}
