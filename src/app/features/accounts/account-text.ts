/** Why nobody was signed in, in words: never which of the two was wrong. */
export function signInProblemText(
  problem: { code: 'wrong' } | { code: 'too-many-tries'; seconds: number },
): string {
  if (problem.code === 'wrong') return 'Email and password do not belong together.'
  return waitText(problem)
}

/** Why a password was not changed, in words. */
export const passwordProblemText = (problem: Parameters<typeof signInProblemText>[0]): string =>
  problem.code === 'wrong' ? 'This is not the password you have.' : waitText(problem)

/** Why a password may not be chosen, in words. */
export const weakPasswordText = (why: 'used' | 'repeated' | 'name'): string =>
  ({
    used: 'Many people use this one, and it is tried first. A few words that only you would put together are better.',
    repeated: 'This is one piece over and over. A few words that only you would put together are better.',
    name: 'This is a name with little around it. A few words that only you would put together are better.',
  })[why]

function waitText({ seconds }: { seconds: number }): string {
  return `Too many tries did not succeed. Try again in ${seconds === 1 ? '1 second' : `${seconds} seconds`}.`
}
