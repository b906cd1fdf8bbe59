/** Minutes since something was last recorded on the job, to the tenth: how long the step took that ends with this tap. */
export function minutesSince(at: string | undefined, now: number): string {
  if (at === undefined) return '';
  const minutes = Math.round((now - Date.parse(at)) / 6000) / 10;
  return minutes > 0 ? String(minutes) : '';
}
