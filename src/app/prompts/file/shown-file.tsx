import { chakra } from '@chakra-ui/react'
import { lazy, type Ref, Suspense } from 'react'
import { loadAgain } from '../../ui/load-again'

/** What shows pages is large: fetched when there are pages to show. */
const PdfPages = lazy(() => loadAgain(() => import('./pdf-pages')))

interface ShownFileProps {
  is: 'pdf' | 'sound' | 'video'
  address: string
  title: string
  page: number
  /** Null where it is not turned here. */
  onPage: ((page: number) => void) | null
  player?: Ref<HTMLVideoElement & HTMLAudioElement>
}

/** Pages to turn, or a sound or a video to play. */
export function ShownFile({ is, address, title, page, onPage, player }: ShownFileProps) {
  if (is === 'pdf')
    return (
      <Suspense fallback={<chakra.p color="quiet">Opening the pages…</chakra.p>}>
        <PdfPages address={address} title={title} page={page} onPage={onPage} />
      </Suspense>
    )
  const media = {
    controls: true,
    preload: 'metadata',
    src: address,
    'aria-label': title,
    ...(player && { ref: player }),
  } as const
  if (is === 'sound') return <chakra.audio {...media} w="full" />
  return <chakra.video {...media} playsInline w="full" maxH="70vh" borderRadius="4px" />
}
