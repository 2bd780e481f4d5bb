import { Box, chakra } from '@chakra-ui/react'
import { useEffect } from 'react'
import { useFetcher } from 'react-router'
import { asField, type ShownFile } from '~/core/boards/prompts/file/file'
import type { Material } from '~/core/material/material'
import { Field, Select } from '../../ui/fields'
import type { SettingsProps } from '../look'

/** Which file of the library. */
export default function FileSettings({ name, settings, errors }: SettingsProps<'file'>) {
  const library = useFetcher<{ material: Material[] }>()
  const { load } = library
  useEffect(() => {
    load('/material')
  }, [load])
  const chosen = settings.show
  const others = (library.data?.material ?? []).flatMap(({ kind, title, file }): ShownFile[] =>
    file && (kind === 'pdf' || kind === 'sound' || kind === 'video') && file.hash !== chosen?.file
      ? [{ file: file.hash, is: kind, title }]
      : [],
  )
  const offered = chosen ? [chosen, ...others] : others
  if (library.data && offered.length === 0)
    return (
      <chakra.p color="quiet">
        There is no PDF, sound or video in the library yet.{' '}
        <chakra.a href="/material" target="_blank" rel="noopener" color="live" fontWeight="600">
          Add one
        </chakra.a>
      </chakra.p>
    )
  return (
    <Box maxW="420px">
      <Field label="File of the library" errors={errors.show}>
        {parts => (
          <Select
            {...parts}
            // Drawn anew when the library has come: what is chosen is among it.
            key={offered.length}
            name={`${name}.show`}
            defaultValue={chosen ? asField(chosen) : ''}
          >
            <option value="">Choose a file…</option>
            {offered.map(file => (
              <option key={file.file} value={asField(file)}>
                {file.title} ({file.is === 'pdf' ? 'PDF' : file.is})
              </option>
            ))}
          </Select>
        )}
      </Field>
    </Box>
  )
}
