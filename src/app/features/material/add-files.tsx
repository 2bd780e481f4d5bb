import { Box, chakra, Flex } from '@chakra-ui/react'
import { type DragEvent, useRef, useState, useSyncExternalStore } from 'react'
import { useRevalidator } from 'react-router'
import { LARGEST_FILE, sizeText, TAKEN_IN } from '~/core/material/material'
import { Button } from '../../ui/button'
import { type FileOnItsWay, Uploading } from './upload'

/** Files are dropped here or chosen, several at once, and seen on their way. */
export function AddFiles() {
  const { revalidate } = useRevalidator()
  const [uploading] = useState(() => new Uploading(() => void revalidate()))
  const files = useSyncExternalStore(uploading.subscribe, uploading.list, uploading.list)
  const [over, setOver] = useState(false)
  const input = useRef<HTMLInputElement>(null)
  const hold = (event: DragEvent) => {
    if (!event.dataTransfer.types.includes('Files')) return
    event.preventDefault()
    setOver(true)
  }
  return (
    <chakra.section aria-label="Add files" mb="20px">
      <Box
        borderWidth="2px"
        borderStyle="dashed"
        borderColor={over ? 'live' : 'edge'}
        bg={over ? 'liveWash' : undefined}
        borderRadius="8px"
        p="16px"
        onDragEnter={hold}
        onDragOver={hold}
        onDragLeave={() => setOver(false)}
        onDrop={event => {
          event.preventDefault()
          setOver(false)
          uploading.add([...event.dataTransfer.files])
        }}
      >
        <Flex gap="12px" align="center" wrap="wrap">
          <Button kind="main" onClick={() => input.current?.click()}>
            Add files
          </Button>
          <chakra.input
            ref={input}
            type="file"
            multiple
            aria-label="Files to add"
            srOnly
            tabIndex={-1}
            onChange={event => {
              uploading.add([...(event.target.files ?? [])])
              event.target.value = ''
            }}
          />
          <span>or drop them here.</span>
        </Flex>
        <chakra.p color="quiet" fontSize="s" mt="8px">
          {TAKEN_IN}. Pictures up to {sizeText(LARGEST_FILE.picture)}, PDF {sizeText(LARGEST_FILE.pdf)}, sound{' '}
          {sizeText(LARGEST_FILE.sound)}, video {sizeText(LARGEST_FILE.video)}. Where and with what a picture
          was taken is left out of it.
        </chakra.p>
      </Box>
      {files.length > 0 && (
        <chakra.ul listStyleType="none" mt="8px" aria-label="On their way">
          {files.map(file => (
            <OnItsWay key={file.id} file={file} uploading={uploading} />
          ))}
        </chakra.ul>
      )}
    </chakra.section>
  )
}

function OnItsWay({ file, uploading }: { file: FileOnItsWay; uploading: Uploading }) {
  const { id, name, bytes, sent, state, why, canGoOn } = file
  const percent = bytes === 0 ? 0 : Math.floor((sent / bytes) * 100)
  return (
    <Flex as="li" gap="12px" align="center" py="6px" borderBottomWidth="1px" wrap="wrap">
      <chakra.span flex="1" minW="160px" overflowWrap="anywhere">
        {name}
      </chakra.span>
      {state === 'sending' && (
        <chakra.progress w="140px" max={100} value={percent} aria-label={`${name}: sent so far`} />
      )}
      <chakra.span color={state === 'failed' ? 'stop' : 'quiet'} fontSize="s" role="status">
        {state === 'waiting' && 'Waiting'}
        {state === 'sending' && `${percent} % of ${sizeText(bytes)}`}
        {state === 'looked-at' && 'There; it is looked at'}
        {state === 'there' && 'In the library'}
        {state === 'failed' && why}
      </chakra.span>
      {state === 'failed' && canGoOn && (
        <Button size="small" onClick={() => uploading.again(id)}>
          Go on
        </Button>
      )}
      <Button
        size="small"
        kind="bare"
        aria-label={state === 'there' || state === 'failed' ? `Off the list: ${name}` : `Stop: ${name}`}
        onClick={() => uploading.remove(id)}
      >
        {state === 'there' || state === 'failed' ? 'Off the list' : 'Stop'}
      </Button>
    </Flex>
  )
}
