import { Box, chakra, Flex } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { useFetcher } from 'react-router'
import { asField, type Picture } from '~/core/boards/prompts/shown-picture'
import type { Material } from '~/core/material/material'
import { isFoundBy } from '~/core/people/shown-name'
import { Input } from '../ui/fields'

/** So many are offered at a glance; the others are found by typing. */
const OFFERED = 24

interface ChoosePicturesProps {
  /** What the prompt's settings are called in the form. */
  name: string
  legend: string
  chosen: readonly Picture[]
  errors: readonly string[] | undefined
}

/** Which pictures of the library, those chosen first. */
export function ChoosePictures({ name, legend, chosen, errors }: ChoosePicturesProps) {
  const library = useFetcher<{ material: Material[] }>()
  const [typed, setTyped] = useState('')
  const { load } = library
  useEffect(() => {
    load('/material')
  }, [load])
  const others = (library.data?.material ?? []).flatMap(({ kind, title, file }): Picture[] =>
    kind === 'picture' && file && !chosen.some(picture => picture.file === file.hash)
      ? [{ file: file.hash, title, width: file.width ?? 4, height: file.height ?? 3 }]
      : [],
  )
  const found = others.filter(({ title }) => isFoundBy(typed, title)).slice(0, OFFERED)
  return (
    <Box as="fieldset" aria-label="Pictures">
      <chakra.p fontWeight="600" fontSize="s" mb="4px">
        {legend}
      </chakra.p>
      {others.length > 8 && (
        <Input
          type="search"
          aria-label="Find a picture"
          placeholder="Find by name"
          value={typed}
          mb="6px"
          maxW="240px"
          onChange={event => {
            event.stopPropagation()
            setTyped(event.target.value)
          }}
        />
      )}
      <Flex gap="8px" wrap="wrap">
        {[...chosen, ...found].map(picture => (
          <chakra.label
            key={picture.file}
            w="108px"
            cursor="pointer"
            borderWidth="2px"
            borderColor="line"
            borderRadius="6px"
            p="4px"
            css={{ '&:has(input:checked)': { borderColor: 'var(--live)', background: 'var(--liveWash)' } }}
          >
            <chakra.img
              src={`/files/${picture.file}/480.webp`}
              alt=""
              loading="lazy"
              w="96px"
              h="64px"
              objectFit="cover"
              borderRadius="3px"
            />
            <Flex gap="4px" align="flex-start" fontSize="s" mt="2px">
              <input
                type="checkbox"
                name={`${name}.pictures`}
                value={asField(picture)}
                defaultChecked={chosen.some(({ file }) => file === picture.file)}
              />
              <chakra.span overflowWrap="anywhere" lineClamp={2}>
                {picture.title || 'Without a name'}
              </chakra.span>
            </Flex>
          </chakra.label>
        ))}
      </Flex>
      {library.data && chosen.length + others.length === 0 && (
        <chakra.p color="quiet">
          There is no picture in the library yet.{' '}
          <chakra.a href="/material" target="_blank" rel="noopener" color="live" fontWeight="600">
            Add one
          </chakra.a>
        </chakra.p>
      )}
      {errors && (
        <chakra.div color="stop" fontSize="s" fontWeight="600" role="alert">
          {errors.join(' ')}
        </chakra.div>
      )}
    </Box>
  )
}
