/**
 * How far the server's clock is ahead of this one, in milliseconds, and how long the question and its answer were on their way, from when
 * it was asked and heard here and what the server said the time was: the formulas of RFC 5905, section 8, with a server that answers in
 * the moment in which it is asked. The offset is wrong by half of the delay at most.
 */
export function clockOffset(
  askedAt: number,
  serverSaid: number,
  heardAt: number,
): { offset: number; delay: number } {
  return { offset: (serverSaid - askedAt + (serverSaid - heardAt)) / 2, delay: heardAt - askedAt }
}
