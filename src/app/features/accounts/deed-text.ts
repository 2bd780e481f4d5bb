import type { Deed, DeedKind } from '~/contracts/deeds'

type Told = Omit<Deed, 'id' | 'at' | 'byName'>

const people = (count: number | null) => (count === 1 ? '1 person' : `${count ?? 0} people`)
const named = (about: string) => (about === '' ? ' something that is gone' : ` “${about}”`)

const TEXTS: Record<DeedKind, (deed: Told) => string> = {
  'signed-in': ({ about }) => `signed in${about === '' ? '' : ` with ${about}`}`,
  'signed-out-elsewhere': () => 'signed out everywhere else',
  'password-changed': () => 'changed their password',
  'account-made': ({ about }) => `made the account of ${about}`,
  'link-made': ({ about }) => `made a link for a new password of ${about}`,
  'link-used': () => 'chose a password by a link',
  'list-imported': ({ about }) => `imported a list into${named(about)}`,
  'import-taken-back': ({ about }) => `took an import into${named(about)} back`,
  'person-added': ({ about }) => `added somebody to${named(about)}`,
  'person-changed': ({ about }) => `changed what is kept of somebody in${named(about)}`,
  'people-removed': ({ about, count }) => `removed ${people(count)} from${named(about)}`,
  'people-put-back': ({ about, count }) => `put ${people(count)} back into${named(about)}`,
  'list-exported': ({ about, count }) => `downloaded the list of${named(about)}, ${people(count)}`,
  'review-exported': ({ about }) => `downloaded what was made in${named(about)}`,
  removed: ({ thing, about }) => `removed the ${thing}${named(about)}`,
  'put-back': ({ thing, about }) => `put the ${thing}${named(about)} back`,
}

/** What somebody did, in words that go on from their name. */
export const deedText = (deed: Told): string => TEXTS[deed.kind](deed)
