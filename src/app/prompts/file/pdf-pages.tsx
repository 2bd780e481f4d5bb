import { Box, chakra, Flex } from '@chakra-ui/react'
import { ChevronLeft, ChevronRight } from 'lucide-react'
import { GlobalWorkerOptions, getDocument, type PDFDocumentProxy, type PDFPageProxy } from 'pdfjs-dist'
import worker from 'pdfjs-dist/build/pdf.worker.min.mjs?url'
import { useEffect, useRef, useState } from 'react'
import { Button } from '../../ui/button'
import { Message } from '../../ui/layout'

GlobalWorkerOptions.workerSrc = worker

/** A page is drawn so wide at most, in points of the screen: more is not seen, and takes much memory. */
const WIDEST = 2_000

interface PdfPagesProps {
  address: string
  title: string
  page: number
  /** Null where it is not turned here. */
  onPage: ((page: number) => void) | null
}

/** A PDF, one page at a time. What stands on the page is there to be read out as well. */
export default function PdfPages({ address, title, page: number, onPage }: PdfPagesProps) {
  const { pdf, failed } = usePdf(address)
  const canvas = useRef<HTMLCanvasElement>(null)
  const [text, setText] = useState('')
  useEffect(() => {
    if (!pdf || !canvas.current) return
    const drawing = new Drawing(canvas.current)
    drawing.draw(pdf, number).then(
      said => said !== null && setText(said),
      () => undefined,
    )
    return () => drawing.stop()
  }, [pdf, number])
  if (failed)
    return <Message kind="problem">This file can not be shown here. Open it beside this page.</Message>
  const last = pdf?.numPages ?? null
  return (
    <Box>
      {onPage && <Turn page={number} last={last} onPage={onPage} />}
      <chakra.canvas
        ref={canvas}
        role="img"
        aria-label={`${title}, page ${number}`}
        w="full"
        bg="white"
        borderWidth="1px"
        borderRadius="4px"
      />
      <chakra.div srOnly>{text}</chakra.div>
    </Box>
  )
}

/** Turns to the page before or after; `last` is null while that is not known. */
function Turn({ page, last, onPage }: { page: number; last: number | null; onPage: (page: number) => void }) {
  return (
    <Flex gap="8px" align="center" mb="6px" wrap="wrap" role="group" aria-label="Pages">
      <Button minH="44px" aria-label="Page before" disabled={page <= 1} onClick={() => onPage(page - 1)}>
        <ChevronLeft size={18} aria-hidden="true" />
      </Button>
      <span role="status">
        Page {page} of {last ?? '…'}
      </span>
      <Button
        minH="44px"
        aria-label="Next page"
        disabled={page >= (last ?? 1)}
        onClick={() => onPage(page + 1)}
      >
        <ChevronRight size={18} aria-hidden="true" />
      </Button>
    </Flex>
  )
}

function usePdf(address: string): { pdf: PDFDocumentProxy | null; failed: boolean } {
  const [state, setState] = useState<{ pdf: PDFDocumentProxy | null; failed: boolean }>({
    pdf: null,
    failed: false,
  })
  useEffect(() => {
    const loading = getDocument({ url: address, isEvalSupported: false, enableXfa: false })
    loading.promise.then(
      pdf => setState({ pdf, failed: false }),
      () => setState({ pdf: null, failed: true }),
    )
    return () => {
      loading.destroy().catch(() => undefined)
    }
  }, [address])
  return state
}

/** One page on its way onto the canvas; another takes its place. */
class Drawing {
  private stopped = false
  private cancel: () => void = () => undefined

  constructor(private readonly canvas: HTMLCanvasElement) {}

  /** Gives the text of the page; null when it was stopped. */
  async draw(pdf: PDFDocumentProxy, number: number): Promise<string | null> {
    const page: PDFPageProxy = await pdf.getPage(Math.max(1, Math.min(number, pdf.numPages)))
    if (this.stopped) return null
    const { width } = page.getViewport({ scale: 1 })
    const wide = Math.min(WIDEST, this.canvas.clientWidth * devicePixelRatio)
    const viewport = page.getViewport({ scale: wide / width })
    this.canvas.width = Math.floor(viewport.width)
    this.canvas.height = Math.floor(viewport.height)
    const task = page.render({ canvas: this.canvas, viewport })
    this.cancel = () => task.cancel()
    await task.promise
    const { items } = await page.getTextContent()
    return this.stopped ? null : items.map(item => ('str' in item ? item.str : '')).join(' ')
  }

  stop(): void {
    this.stopped = true
    this.cancel()
  }
}
