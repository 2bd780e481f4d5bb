import { Box, chakra, Flex } from '@chakra-ui/react'
import { FileText, Film, Link as LinkIcon, type LucideIcon, Volume2 } from 'lucide-react'
import { useEffect, useState } from 'react'
import { useFetcher } from 'react-router'
import { type Material, type MaterialKind, sizeText } from '~/core/material/material'
import { isFoundBy } from '~/core/people/shown-name'
import { RemoveButton, RemovedFold } from '../../removals/remove-button'
import { Button } from '../../ui/button'
import { Field, Input } from '../../ui/fields'
import { FilteredRows } from '../../ui/filtered-rows'
import { Empty, PageHead, Row } from '../../ui/layout'
import { AddFiles } from './add-files'
import { AddLink } from './add-link'
import { Captions } from './captions'

interface MaterialPageProps {
  material: Material[]
  space: { all: number; unused: number; unusedFiles: number }
}

/** The library: what groups can be given to look at. */
export function MaterialPage({ material, space }: MaterialPageProps) {
  return (
    <>
      <PageHead title="Material" under="Pictures, pages, sound and video that groups are given to look at." />
      <AddFiles />
      <AddLink />
      {material.length === 0 ? (
        <Empty>Nothing here yet. Add a picture, and put it on a board.</Empty>
      ) : (
        <FilteredRows
          label="Material"
          items={material}
          words={({ title, kind, usedOn }) => [title, KIND_WORDS[kind], ...usedOn]}
          isFoundBy={isFoundBy}
        >
          {item => <MaterialRow key={item.id} item={item} />}
        </FilteredRows>
      )}
      <RemovedFold kind="material" listed={material.length} />
      <SpaceLine space={space} />
    </>
  )
}

const KIND_WORDS: Record<MaterialKind, string> = {
  picture: 'Picture',
  pdf: 'PDF',
  sound: 'Sound',
  video: 'Video',
  link: 'Link',
}
const KIND_ICONS: Record<Exclude<MaterialKind, 'picture'>, LucideIcon> = {
  pdf: FileText,
  sound: Volume2,
  video: Film,
  link: LinkIcon,
}

function MaterialRow({ item }: { item: Material }) {
  const { id, kind, title, address, file, addedBy, usedOn } = item
  const facts = [
    KIND_WORDS[kind],
    file?.width ? `${file.width} × ${file.height}` : null,
    file && sizeText(file.bytes),
    address,
    addedBy && `by ${addedBy}`,
  ].filter(Boolean)
  return (
    <Row>
      <Thumb item={item} />
      <Box flex="1" minW="180px">
        <Title id={id} title={title} />
        <chakra.div color="quiet" fontSize="s" overflowWrap="anywhere">
          {facts.join(' · ')}
        </chakra.div>
        {file && (kind === 'sound' || kind === 'video') && (
          <Captions id={id} title={title} captioned={file.captioned} />
        )}
        {usedOn.length > 0 && (
          <chakra.div color="quiet" fontSize="s">
            On {[...new Set(usedOn)].join(', ')}
          </chakra.div>
        )}
      </Box>
      {(address ?? file) && (
        <chakra.a
          href={
            address ?? (kind === 'picture' ? `/files/${file?.hash}/2400.webp` : `/files/${file?.hash}/whole`)
          }
          target="_blank"
          rel="noopener noreferrer"
          color="live"
          fontWeight="600"
          fontSize="s"
          aria-label={`Open ${title}`}
        >
          Open
        </chakra.a>
      )}
      <RemoveButton kind="material" id={id} name={title} />
    </Row>
  )
}

function Thumb({ item: { kind, file } }: { item: Material }) {
  const Icon = kind === 'picture' ? null : KIND_ICONS[kind]
  return (
    <Flex w="72px" h="54px" align="center" justify="center" bg="sunk" borderRadius="4px" overflow="hidden">
      {Icon ? (
        <Icon size={24} aria-hidden="true" />
      ) : (
        <chakra.img
          src={`/files/${file?.hash}/480.webp`}
          alt=""
          loading="lazy"
          w="full"
          h="full"
          objectFit="cover"
        />
      )}
    </Flex>
  )
}

/** What it is called, to be changed in its place. */
function Title({ id, title }: { id: string; title: string }) {
  const fetcher = useFetcher<{ status?: string; error?: Record<string, string[] | null> | null }>()
  const [open, setOpen] = useState(false)
  const saved = fetcher.state === 'idle' && fetcher.data?.status === 'success'
  useEffect(() => {
    if (saved) setOpen(false)
  }, [saved])
  if (!open)
    return (
      <Flex gap="8px" align="baseline" wrap="wrap">
        <chakra.span fontWeight="600" overflowWrap="anywhere">
          {title}
        </chakra.span>
        <Button size="small" kind="bare" aria-label={`Rename ${title}`} onClick={() => setOpen(true)}>
          Rename
        </Button>
      </Flex>
    )
  return (
    <fetcher.Form method="post">
      <input type="hidden" name="intent" value="rename" />
      <input type="hidden" name="id" value={id} />
      <Flex gap="8px" align="flex-start" wrap="wrap">
        <Field label="Called" hideLabel errors={fetcher.data?.error?.title ?? undefined}>
          {parts => <Input {...parts} name="title" defaultValue={title} autoFocus />}
        </Field>
        <Button type="submit" kind="main" disabled={fetcher.state !== 'idle'}>
          Rename
        </Button>
        <Button onClick={() => setOpen(false)}>Keep</Button>
      </Flex>
    </fetcher.Form>
  )
}

/** How much everything takes, and how what nothing uses is taken away. */
function SpaceLine({ space: { all, unused, unusedFiles } }: Pick<MaterialPageProps, 'space'>) {
  const fetcher = useFetcher<{ unusedRemoved?: number }>()
  const removed = fetcher.data?.unusedRemoved
  return (
    <Flex mt="16px" gap="12px" align="center" wrap="wrap" color="quiet" role="status">
      <span>All files take {sizeText(all)}.</span>
      {unusedFiles > 0 && (
        <>
          <span>
            {unusedFiles === 1 ? '1 file' : `${unusedFiles} files`} of {sizeText(unused)}{' '}
            {unusedFiles === 1 ? 'is' : 'are'} used nowhere: not here, on no board, in no session.
          </span>
          <fetcher.Form method="post">
            <Button
              type="submit"
              name="intent"
              value="remove-unused"
              size="small"
              disabled={fetcher.state !== 'idle'}
            >
              Remove for good
            </Button>
          </fetcher.Form>
        </>
      )}
      {removed !== undefined && unusedFiles === 0 && (
        <span>{removed === 1 ? '1 file was' : `${removed} files were`} removed.</span>
      )}
    </Flex>
  )
}
