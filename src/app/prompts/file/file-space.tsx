import { Box, chakra } from '@chakra-ui/react'
import { useContext, useMemo, useRef, useState } from 'react'
import type { Prompt } from '~/core/boards/board'
import { setSpot, spotText } from '~/core/boards/prompts/file/document'
import { file } from '~/core/boards/prompts/file/file'
import { Button } from '../../ui/button'
import { CardsSpace } from '../cards/cards-space'
import { FilesAt } from '../drawing/files-at'
import type { PromptSpaceProps } from '../prompt-space'
import { useAnswer } from '../use-shared'
import { ShownFile } from './shown-file'

/** Pages, sound or a video, with what the group remarks on it; a remark belongs to the page or moment where it was made. */
export default function FileSpace(props: PromptSpaceProps<'file'>) {
  const { prompt, connection } = props
  const { doc } = connection
  const { show } = prompt.settings
  const filesAt = useContext(FilesAt)
  const { remarks } = useAnswer(doc, file, prompt)
  const [page, setPage] = useState(1)
  const player = useRef<HTMLVideoElement & HTMLAudioElement>(null)
  const asCards = useMemo<Extract<Prompt, { kind: 'cards' }>>(
    () => ({ id: prompt.id, kind: 'cards', text: prompt.text, settings: {} }),
    [prompt.id, prompt.text],
  )
  if (!show) return <chakra.p color="quiet">No file was chosen.</chakra.p>
  const { is, title } = show
  const address = `${filesAt}/${show.file}/whole`
  const goTo = (spot: number) => {
    if (is === 'pdf') setPage(Math.max(1, spot))
    else if (player.current) player.current.currentTime = spot
  }
  const called = {
    one: 'remark',
    many: 'remarks',
    more: (id: string) => {
      const spot = remarks.find(remark => remark.id === id)?.spot ?? null
      if (spot === null) return null
      return (
        <Button
          size="small"
          kind="bare"
          aria-label={`Go to ${spotText(is, spot)}`}
          onClick={() => goTo(spot)}
        >
          {spotText(is, spot)}
        </Button>
      )
    },
    onAdded: (id: string) =>
      setSpot(doc, prompt.id, id, is === 'pdf' ? page : (player.current?.currentTime ?? 0)),
  }
  return (
    <Box>
      <ShownFile
        is={is}
        address={address}
        title={title || prompt.text}
        page={page}
        onPage={setPage}
        player={player}
      />
      <chakra.p fontSize="s" color="quiet" my="6px">
        {is === 'pdf'
          ? 'A remark belongs to the page you are on.'
          : 'A remark belongs to the moment you are at.'}{' '}
        <chakra.a href={address} target="_blank" rel="noopener noreferrer" color="live" fontWeight="600">
          Open {title || 'the file'} by itself
        </chakra.a>
      </chakra.p>
      <CardsSpace {...props} prompt={asCards} called={called} />
    </Box>
  )
}
