import { Box, chakra, Flex } from '@chakra-ui/react'
import { Collaboration } from '@tiptap/extension-collaboration'
import { CollaborationCaret } from '@tiptap/extension-collaboration-caret'
import { Highlight } from '@tiptap/extension-highlight'
import { TableKit } from '@tiptap/extension-table'
import { type Editor, EditorContent, useEditor, useEditorState } from '@tiptap/react'
import { StarterKit } from '@tiptap/starter-kit'
import { useContext, useState } from 'react'
import { HEADING_LEVEL, sheetName } from '~/core/boards/prompts/sheet/document'
import type { Picture } from '~/core/boards/prompts/shown-picture'
import { Button } from '../../ui/button'
import { Message } from '../../ui/layout'
import { Nonce } from '../../ui/nonce'
import { FilesAt } from '../drawing/files-at'
import type { PromptSpaceProps } from '../prompt-space'
import { SheetPicture } from './sheet-picture'

const look = {
  '& .ProseMirror': {
    minHeight: '120px',
    padding: '10px',
    outlineOffset: '2px',
    overflowWrap: 'anywhere',
  },
  '& .ProseMirror p + p': { marginTop: '6px' },
  // Of a long sheet only what is near the window is laid out; but for where somebody's cursor is: its name stands out of the line.
  '& .ProseMirror > :nth-child(n + 30):not(:has(.other-cursor))': {
    contentVisibility: 'auto',
    containIntrinsicBlockSize: 'auto 6em',
  },
  '& .ProseMirror ul': { listStyle: 'disc', paddingInlineStart: '1.3em' },
  '& .ProseMirror ol': { listStyle: 'decimal', paddingInlineStart: '1.5em' },
  '& .ProseMirror h4': { fontWeight: 650, fontSize: '1.1em', marginTop: '8px' },
  '& .ProseMirror .tableWrapper': { overflowX: 'auto', marginBlock: '6px' },
  '& .ProseMirror table': { borderCollapse: 'collapse', minWidth: '100%' },
  '& .ProseMirror th, & .ProseMirror td': {
    border: '1px solid var(--line)',
    padding: '4px 8px',
    minWidth: '72px',
    textAlign: 'start',
    verticalAlign: 'top',
  },
  '& .ProseMirror th': { fontWeight: 650, background: 'var(--sunk)' },
  '& .ProseMirror mark': { background: 'var(--liveWash)', color: 'inherit', borderRadius: '2px' },
  '& .ProseMirror img': {
    maxWidth: '100%',
    maxHeight: '420px',
    width: 'auto',
    height: 'auto',
    marginBlock: '6px',
    borderRadius: '4px',
  },
  '& .ProseMirror img.ProseMirror-selectednode': { outline: '2px solid var(--live)' },
  '& .other-cursor': {
    borderInlineStart: '2px solid var(--ask)',
    marginInline: '-1px',
    position: 'relative',
  },
  '& .other-cursor-name': {
    position: 'absolute',
    insetInlineStart: '-2px',
    bottom: '100%',
    background: 'var(--ask)',
    color: 'var(--onAsk)',
    fontSize: '0.75rem',
    lineHeight: '1.3',
    paddingInline: '4px',
    borderRadius: '3px',
    whiteSpace: 'nowrap',
    userSelect: 'none',
  },
}

/** Longest sheet, in characters: some 20,000 words. */
const LONGEST_SHEET = 150_000
/** Longest text that is pasted at once, in characters. */
const LONGEST_PASTE = 50_000

/** A long written answer that several write at once. */
export default function Sheet({
  prompt,
  connection,
  readOnly: looksOn,
  full,
  names,
}: PromptSpaceProps<'sheet'>) {
  const readOnly = looksOn || full
  const [refused, setRefused] = useState(false)
  const nonce = useContext(Nonce)
  const filesAt = useContext(FilesAt)
  const { pictures } = prompt.settings
  const editor = useEditor(
    {
      injectNonce: nonce,
      editable: !readOnly,
      immediatelyRender: false,
      editorProps: {
        // What is pasted comes as one change; one too large to be sent would never be saved.
        handlePaste: (view, event) => {
          const pasted = event.clipboardData?.getData('text/plain').length ?? 0
          const tooLong = pasted > LONGEST_PASTE || view.state.doc.content.size + pasted > LONGEST_SHEET
          setRefused(tooLong)
          return tooLong
        },
        attributes: {
          role: 'textbox',
          'aria-multiline': 'true',
          'aria-labelledby': `prompt-${prompt.id}`,
          tabindex: '0',
        },
      },
      extensions: [
        // Undo is the shared document's, so that one takes back one's own words and not somebody else's.
        StarterKit.configure({
          undoRedo: false,
          heading: { levels: [HEADING_LEVEL] },
          codeBlock: false,
          code: false,
          link: false,
          horizontalRule: false,
        }),
        TableKit.configure({ table: { resizable: false } }),
        Highlight,
        SheetPicture.configure({ filesAt, pictures: pictures ?? [] }),
        Collaboration.configure({ document: connection.doc, field: sheetName(prompt.id) }),
        CollaborationCaret.configure({
          provider: connection.provider,
          user: connection.provider.awareness?.getLocalState()?.user,
          render: user => otherCursor(names[String(user.id)] ?? 'Somebody'),
          selectionRender: () => ({ nodeName: 'span', style: 'background: var(--askWash)' }),
        }),
      ],
    },
    [connection, prompt.id, readOnly, pictures, filesAt],
  )
  return (
    <Box bg="panel" borderWidth="1px" borderColor={readOnly ? 'line' : 'edge'} borderRadius="6px" css={look}>
      {editor && !readOnly && <Tools editor={editor} pictures={pictures ?? []} />}
      <EditorContent editor={editor} />
      {refused && (
        <Box p="8px">
          <Message kind="problem">
            This was not pasted: a sheet has room for {LONGEST_SHEET.toLocaleString('en')} characters, of
            which {LONGEST_PASTE.toLocaleString('en')} can be pasted at a time.
          </Message>
        </Box>
      )}
    </Box>
  )
}

/** The name comes from the room's own list, never from what a cursor says of itself. */
function otherCursor(name: string): HTMLElement {
  const cursor = document.createElement('span')
  cursor.className = 'other-cursor'
  const label = document.createElement('span')
  label.className = 'other-cursor-name'
  label.textContent = name
  cursor.append(label)
  return cursor
}

function Tools({ editor, pictures }: { editor: Editor; pictures: readonly Picture[] }) {
  const [choosing, setChoosing] = useState(false)
  const filesAt = useContext(FilesAt)
  const active = useEditorState({
    editor,
    selector: ({ editor: current }) => ({
      heading: current.isActive('heading'),
      bold: current.isActive('bold'),
      marked: current.isActive('highlight'),
      bullets: current.isActive('bulletList'),
      numbers: current.isActive('orderedList'),
      table: current.isActive('table'),
    }),
  })
  const on = () => editor.chain().focus()
  return (
    <Flex gap="4px" p="4px" borderBottomWidth="1px" role="toolbar" aria-label="Text" wrap="wrap">
      <Tool
        pressed={active.heading}
        onPress={() => on().toggleHeading({ level: HEADING_LEVEL }).run()}
        label="Heading"
      />
      <Tool pressed={active.bold} onPress={() => on().toggleBold().run()} label="Bold" />
      <Tool pressed={active.marked} onPress={() => on().toggleHighlight().run()} label="Mark" />
      <Tool pressed={active.bullets} onPress={() => on().toggleBulletList().run()} label="Points" />
      <Tool pressed={active.numbers} onPress={() => on().toggleOrderedList().run()} label="Numbers" />
      {active.table ? (
        <>
          <Tool onPress={() => on().addRowAfter().run()} label="Add row" />
          <Tool onPress={() => on().addColumnAfter().run()} label="Add column" />
          <Tool onPress={() => on().deleteRow().run()} label="Remove row" />
          <Tool onPress={() => on().deleteColumn().run()} label="Remove column" />
          <Tool onPress={() => on().deleteTable().run()} label="Remove table" />
        </>
      ) : (
        <Tool
          onPress={() => on().insertTable({ rows: 3, cols: 2, withHeaderRow: true }).run()}
          label="Table"
        />
      )}
      {pictures.length > 0 && (
        <Tool pressed={choosing} onPress={() => setChoosing(!choosing)} label="Picture" />
      )}
      {choosing && (
        <Flex w="100%" gap="6px" p="4px" wrap="wrap" role="group" aria-label="Which picture">
          {pictures.map(({ file, title }) => (
            <chakra.button
              key={file}
              type="button"
              aria-label={title || 'Picture without a name'}
              title={title}
              borderWidth="1px"
              borderRadius="4px"
              p="2px"
              onClick={() => {
                setChoosing(false)
                on()
                  .insertContent([{ type: 'picture', attrs: { file, title } }, { type: 'paragraph' }])
                  .run()
              }}
            >
              <chakra.img src={`${filesAt}/${file}/480.webp`} alt="" h="56px" w="84px" objectFit="cover" />
            </chakra.button>
          ))}
        </Flex>
      )}
    </Flex>
  )
}

/** `pressed` for what is on or off where the cursor stands. */
const Tool = ({ label, pressed, onPress }: { label: string; pressed?: boolean; onPress: () => void }) => (
  <Button
    size="small"
    kind="bare"
    minH={{ base: '40px', md: '28px' }}
    aria-pressed={pressed}
    fontWeight={label === 'Bold' ? '700' : undefined}
    onClick={onPress}
  >
    {label}
  </Button>
)
