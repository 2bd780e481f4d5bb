/** Why nobody was signed in, in words: never which of the two was wrong. */
export function signInProblemText(
  problem: { code: 'wrong' } | { code: 'too-many-tries'; seconds: number },
): string {
  if (problem.code === 'wrong') return 'Email and password do not belong together.'
  const { seconds } = problem
  return `Too many tries did not succeed. Try again in ${seconds === 1 ? '1 second' : `${seconds} seconds`}.`
}
