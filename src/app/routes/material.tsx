import { parseWithZod } from '@conform-to/zod/v4'
import { captionsForm, linkForm, renameForm } from '~/contracts/forms/material'
import { readCaptions } from '~/core/material/captions'
import {
  addLink,
  listMaterial,
  removeUnused,
  renameMaterial,
  setCaptions,
  spaceUsed,
} from '~/server/material/material.server'
import { accountContext, servicesContext } from '~/server/services.server'
import { MaterialPage } from '../features/material/material-page'
import type { Route } from './+types/material'
import { answering, formOf, unknownIntent } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Material · Round Table' }]

export async function loader({ context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  const [material, space] = await Promise.all([listMaterial(db), spaceUsed(db)])
  return { material, space }
}

export async function action({ request, context }: Route.ActionArgs) {
  const { db, folder } = context.get(servicesContext)
  const fields = await formOf(request)
  switch (fields.get('intent')) {
    case 'link': {
      const form = parseWithZod(fields, { schema: linkForm })
      if (form.status !== 'success') return form.reply()
      await addLink(db, { ...form.value, by: context.get(accountContext).displayName })
      return { ...form.reply({ resetForm: true }), status: 'success' as const }
    }
    case 'rename': {
      const form = parseWithZod(fields, { schema: renameForm })
      if (form.status !== 'success') return form.reply()
      await answering(renameMaterial(db, form.value.id, form.value.title))
      return { ...form.reply(), status: 'success' as const }
    }
    case 'captions': {
      const form = parseWithZod(fields, { schema: captionsForm })
      if (form.status !== 'success') return form.reply()
      const { id, text = '' } = form.value
      const read = text === '' ? null : readCaptions(text)
      if (read && !read.ok) return form.reply({ fieldErrors: { text: [read.why] } })
      await answering(setCaptions(db, id, read?.text ?? null))
      return { ...form.reply(), status: 'success' as const }
    }
    case 'remove-unused':
      return { unusedRemoved: await removeUnused(db, folder) }
  }
  throw unknownIntent()
}

export default function Material({ loaderData }: Route.ComponentProps) {
  return <MaterialPage {...loaderData} />
}
