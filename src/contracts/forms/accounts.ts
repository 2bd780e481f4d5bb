/** Forms for accounts and signing in. */
import { z } from 'zod'
import { email, line } from './fields'

const newPassword = z
  .string({ error: 'Enter a password.' })
  .min(10, 'Use at least 10 characters.')
  .max(200, 'Use at most 200 characters.')

export const signInForm = z.object({
  email,
  password: z.string({ error: 'Enter your password.' }).max(200, 'Use at most 200 characters.'),
  goTo: z.string().optional(),
})

export const passwordForm = z.object({
  password: z.string({ error: 'Enter the password you have.' }).max(200, 'Use at most 200 characters.'),
  newPassword,
})

/** A further account: whoever it is for chooses the password, by a link for one use. */
export const accountForm = z.object({ displayName: line('a name', 80), email })

export const oneTimeForm = z.object({ newPassword })

/** The first account is made by whoever started the server, and has read the word it printed. */
export const firstRunForm = accountForm.extend({
  password: newPassword,
  startWord: z.string({ error: 'Enter the word the server printed when it started.' }).trim().max(100),
})
