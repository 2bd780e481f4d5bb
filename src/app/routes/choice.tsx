import { choiceAnswerForm } from '~/contracts/forms/choices'
import { choiceOverview } from '~/server/choices/choice-overview.server'
import { choose, freeName, getChoice, keepAsColumn, setPhase } from '~/server/choices/choices.server'
import { addressesFor } from '~/server/http/addresses.server'
import { joinImage } from '~/server/join/join-image.server'
import { servicesContext } from '~/server/services.server'
import { ChoicePage } from '../features/choices/choice-page'
import { choiceRefusalText } from '../features/choices/choice-text'
import { columnProblemText } from '../features/cohorts/column-text'
import type { Route } from './+types/choice'
import { answering, formOf, wishesIn } from './helpers.server'

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.choice.title ?? 'Choice'} · Round Table` },
]

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { db, settings } = context.get(servicesContext)
  const choice = await answering(getChoice(db, params.choiceId))
  const overview = await answering(choiceOverview(db, choice))
  const address = `${addressesFor(request.url, settings.publicAddress).main}/choose/${choice.code}`
  const { id: choiceId, title, kind, wishes, topics, phase } = choice
  return {
    ...overview,
    choiceId,
    choice: { title, kind, wishes, topics, phase },
    link: { address, image: await joinImage(address) },
  }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const { db } = context.get(servicesContext)
  await answering(getChoice(db, params.choiceId))
  const fields = await formOf(request)
  const personId = String(fields.get('personId') ?? '')
  switch (fields.get('intent')) {
    case 'close':
      await setPhase(db, params.choiceId, 'closed')
      return { problem: null }
    case 'reopen':
      await setPhase(db, params.choiceId, 'open')
      return { problem: null }
    case 'keep': {
      const kept = await keepAsColumn(db, params.choiceId)
      if (kept.ok) return { problem: null, kept: kept.value.column }
      return { problem: columnProblemText(kept.problem) }
    }
    case 'free':
      await freeName(db, params.choiceId, personId)
      return { problem: null }
  }
  const form = choiceAnswerForm.safeParse({ personId, wishes: wishesIn(fields) })
  if (!form.success) return { problem: form.error.issues[0]?.message ?? 'This could not be saved as it is.' }
  const saved = await choose(db, params.choiceId, personId, form.data.wishes, { corrects: true })
  return { problem: saved.ok ? null : choiceRefusalText(saved.problem) }
}

export default function ChoiceRoute({ loaderData, actionData }: Route.ComponentProps) {
  const kept = actionData && 'kept' in actionData ? actionData.kept : undefined
  return <ChoicePage {...loaderData} kept={kept} problem={kept ? null : actionData?.problem} />
}
