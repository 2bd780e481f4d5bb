import { Box, chakra, Flex } from '@chakra-ui/react'
import { useId, useState } from 'react'
import { useFetcher } from 'react-router'
import { LONGEST_CAPTIONS } from '~/core/material/caption-limit'
import { Button } from '../../ui/button'

interface CaptionsProps {
  id: string
  title: string
  captioned: boolean
}

/** What is said in a sound or film, brought as a WebVTT file, to be read along when it is shown. */
export function Captions({ id, title, captioned }: CaptionsProps) {
  const fetcher = useFetcher<{ error?: Record<string, string[] | null> | null }>()
  const [tooLong, setTooLong] = useState(false)
  const field = useId()
  const send = (text: string) => fetcher.submit({ intent: 'captions', id, text }, { method: 'post' })
  const problem = tooLong
    ? `Captions have at most ${LONGEST_CAPTIONS.toLocaleString('en')} letters.`
    : fetcher.data?.error?.text?.[0]
  return (
    <Box fontSize="s">
      <Flex gap="8px" align="center" wrap="wrap">
        <chakra.input
          id={field}
          type="file"
          accept=".vtt,text/vtt"
          aria-label={`Captions of ${title}`}
          srOnly
          onChange={async event => {
            const [file] = event.target.files ?? []
            event.target.value = ''
            setTooLong(file !== undefined && file.size > 4 * LONGEST_CAPTIONS)
            if (file && file.size <= 4 * LONGEST_CAPTIONS) send(await file.text())
          }}
        />
        {/* A press on the label chooses; the keyboard is on the field, and shows there. */}
        <chakra.label
          htmlFor={field}
          color="live"
          fontWeight="600"
          cursor="pointer"
          borderRadius="4px"
          minH="24px"
          css={{ 'input:focus-visible + &': { outline: '2px solid currentColor', outlineOffset: '2px' } }}
        >
          {captioned ? 'Other captions' : 'Add captions (WebVTT)'}
        </chakra.label>
        {captioned && (
          <>
            <span role="status">Has captions.</span>
            <Button
              size="small"
              kind="bare"
              aria-label={`Take away the captions of ${title}`}
              onClick={() => send('')}
            >
              Take them away
            </Button>
          </>
        )}
      </Flex>
      {problem && (
        <chakra.p color="stop" fontWeight="600" role="alert">
          {problem}
        </chakra.p>
      )}
    </Box>
  )
}
