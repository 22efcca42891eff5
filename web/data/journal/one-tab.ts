/** Does something while no other tab of this browser does the same for the docket. */
export async function inOneTab(subject: string, work: () => Promise<void>): Promise<void> {
  // Without locks (an old browser) two tabs may send the same, which is harmless.
  if (!('locks' in navigator)) return work();
  await navigator.locks.request(`neat-measure.journal.${subject}`, work);
}
