import { data } from 'react-router'
import { choiceAnswerForm } from '~/contracts/forms/choices'
import { readDoorToken, readPlaceToken, writePlaceToken } from '~/server/auth/cookies.server'
import { freeChoiceNames } from '~/server/choices/choice-overview.server'
import {
  choiceByCode,
  choose,
  chooserOf,
  placesLeftIn,
  takeChoiceName,
} from '~/server/choices/choices.server'
import { getCohort } from '~/server/cohorts/cohorts.server'
import { onePress } from '~/server/join/one-press.server'
import { type Services, servicesContext } from '~/server/services.server'
import { isReachedSecurely } from '~/server/settings.server'
import { choiceRefusalText } from '../features/choices/choice-text'
import { ChoosePage, type ChoosePageProps } from '../features/choices/choose-page'
import type { Route } from './+types/choose'
import { answering, atTheDoor, formOf, wishesIn } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Choose · Round Table' }]

/** So many names come with the page; the rest of a long list is fetched once it stands. */
const FIRST_NAMES = 40

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const services = context.get(servicesContext)
  const page = await pageFor(request, params.code, services)
  return data(page, { headers: page.step === 'name' ? await atTheDoor(request, services.settings) : {} })
}

async function pageFor(request: Request, code: string, { db }: Services): Promise<ChoosePageProps> {
  const choice = await answering(choiceByCode(db, code))
  const { title, topics, kind } = choice
  const token = await readPlaceToken(request.headers.get('Cookie'), choice.id)
  const chooser = await chooserOf(db, choice.id, token)
  if (choice.phase === 'closed') return { step: 'closed', title, mine: chooser?.wishes ?? [], topics }
  if (!chooser) {
    const names = await answering(freeChoiceNames(db, choice))
    return { step: 'name', title, code, names: names.slice(0, FIRST_NAMES), count: names.length }
  }
  const { people } = await answering(getCohort(db, choice.cohortId))
  const left = await placesLeftIn(db, choice)
  return {
    step: 'choose',
    title,
    code,
    kind,
    most: choice.wishes,
    topics: topics.map(topic => ({
      ...topic,
      left: kind !== 'first-come' ? null : (left.get(topic.id) ?? 0),
    })),
    shownName: people.find(person => person.id === chooser.personId)?.shownName ?? '',
    wishes: chooser.wishes,
  }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const { db, settings } = context.get(servicesContext)
  const choice = await answering(choiceByCode(db, params.code))
  const fields = await formOf(request)
  const form = choiceAnswerForm.safeParse({
    personId: fields.get('personId') ?? undefined,
    wishes: wishesIn(fields),
  })
  if (!form.success)
    return { problem: form.error.issues[0]?.message ?? 'This could not be taken as it is.', step: null }
  if (fields.get('intent') === 'name') {
    const personId = form.data.personId ?? ''
    const door = await readDoorToken(request.headers.get('Cookie'))
    const taken = await onePress(door, `${choice.id} ${personId}`, () => takeChoiceName(db, choice, personId))
    if (!taken.ok) return { problem: choiceRefusalText(taken.problem), step: 'name' }
    const cookie = await writePlaceToken(taken.value.token, choice.id, isReachedSecurely(settings))
    return data({ problem: null, step: null }, { headers: { 'Set-Cookie': cookie } })
  }
  const token = await readPlaceToken(request.headers.get('Cookie'), choice.id)
  const chooser = await chooserOf(db, choice.id, token)
  if (!chooser) return { problem: 'Choose your name first: reload the page.', step: null }
  const chosen = await choose(db, choice.id, chooser.personId, form.data.wishes, { corrects: false })
  return { problem: chosen.ok ? null : choiceRefusalText(chosen.problem), step: null }
}

export default function Choose({ loaderData, actionData }: Route.ComponentProps) {
  return <ChoosePage {...loaderData} problem={actionData?.problem ?? null} />
}
