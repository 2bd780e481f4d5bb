import { Box, chakra, Flex } from '@chakra-ui/react'
import { Camera } from 'lucide-react'
import { useContext, useState } from 'react'
import type * as Y from 'yjs'
import { addPicture, roomForAdded } from '~/core/boards/prompts/pictures/added'
import { Message } from '../../ui/layout'
import { FilesAt } from '../drawing/files-at'
import { smaller } from './smaller'

interface AddPictureProps {
  doc: Y.Doc
  promptId: string
  full: boolean
}

/** A picture from the phone's camera, or one that is on the device, onto the board. */
export function AddPicture({ doc, promptId, full }: AddPictureProps) {
  const filesAt = useContext(FilesAt)
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  // Only a participant's page has a place where pictures are sent to; a board that is tried out has none.
  const address =
    filesAt.endsWith('/files') && filesAt !== '/files' ? filesAt.replace(/files$/, 'pictures') : null
  if (address === null)
    return (
      <chakra.p color="quiet" fontSize="s" mb="6px">
        Here the group adds pictures from its phones.
      </chakra.p>
    )
  const hasRoom = !full && roomForAdded(doc, promptId) > 0
  const send = async (file: File) => {
    setBusy(true)
    setProblem(null)
    try {
      const query = new URLSearchParams({ promptId })
      const answer = await fetch(`${address}?${query}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/octet-stream' },
        body: await smaller(file),
      })
      if (!answer.ok) setProblem(await answer.text())
      else if (!addPicture(doc, promptId, await answer.json()))
        setProblem('There is no room for one more picture.')
    } catch {
      setProblem('The picture did not get through. Try it again.')
    }
    setBusy(false)
  }
  return (
    <Box mb="8px">
      <Flex gap="8px" align="center" wrap="wrap">
        {hasRoom ? (
          <chakra.label
            display="inline-flex"
            gap="6px"
            alignItems="center"
            minH="44px"
            px="14px"
            borderWidth="1px"
            borderColor="edge"
            borderRadius="8px"
            bg="paper"
            fontWeight="600"
            cursor={busy ? 'progress' : 'pointer'}
            css={{ '&:focus-within': { outline: '3px solid var(--live)' } }}
          >
            <Camera size={18} aria-hidden="true" />
            {busy ? 'Sending…' : 'Add a picture'}
            <chakra.input
              type="file"
              accept="image/*"
              srOnly
              disabled={busy}
              onChange={event => {
                const [file] = event.target.files ?? []
                event.target.value = ''
                if (file) send(file)
              }}
            />
          </chakra.label>
        ) : (
          <chakra.span color="quiet" fontSize="s">
            No more pictures can be added here.
          </chakra.span>
        )}
        <chakra.span role="status" color="quiet" fontSize="s">
          {busy && 'The picture is on its way.'}
        </chakra.span>
      </Flex>
      {problem && <Message kind="problem">{problem}</Message>}
    </Box>
  )
}
