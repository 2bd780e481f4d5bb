import { chakra, Flex } from '@chakra-ui/react'
import {
  ArrowUpRight,
  Circle,
  Eraser,
  Eye,
  type LucideIcon,
  MapPin,
  Pencil,
  Redo2,
  Square,
  Type,
  Undo2,
  ZoomIn,
  ZoomOut,
} from 'lucide-react'
import { Button } from '../../ui/button'
import { MARK_COLOURS } from './mark-shape'

export const TOOLS = ['look', 'remark', 'pen', 'arrow', 'box', 'ellipse', 'text', 'erase'] as const
export type Tool = (typeof TOOLS)[number]

const LOOKS: Record<Tool, { icon: LucideIcon; word: string }> = {
  look: { icon: Eye, word: 'Look' },
  remark: { icon: MapPin, word: 'Remark' },
  pen: { icon: Pencil, word: 'Pen' },
  arrow: { icon: ArrowUpRight, word: 'Arrow' },
  box: { icon: Square, word: 'Box' },
  ellipse: { icon: Circle, word: 'Ellipse' },
  text: { icon: Type, word: 'Text' },
  erase: { icon: Eraser, word: 'Erase' },
}

interface ToolBarProps {
  tool: Tool
  onTool: (tool: Tool) => void
  colour: number
  onColour: (colour: number) => void
  undo: (() => void) | null
  redo: (() => void) | null
  full: boolean
}

/** What can be done on the pictures; with words, since nobody has seen it before. */
export function ToolBar({ tool, onTool, colour, onColour, undo, redo, full }: ToolBarProps) {
  return (
    <Flex gap="4px" wrap="wrap" mb="8px" role="toolbar" aria-label="Drawing">
      {TOOLS.map(each => (
        <ToolButton
          key={each}
          {...LOOKS[each]}
          pressed={tool === each}
          disabled={full && each !== 'look' && each !== 'erase'}
          onPress={() => onTool(each)}
        />
      ))}
      <ToolButton icon={Undo2} word="Undo" disabled={!undo} onPress={() => undo?.()} />
      <ToolButton icon={Redo2} word="Redo" disabled={!redo} onPress={() => redo?.()} />
      {!['look', 'remark', 'erase'].includes(tool) && (
        <Flex role="group" aria-label="Colour" gap="4px" align="center">
          {MARK_COLOURS.map(({ name, fill }, place) => (
            <chakra.button
              key={name}
              type="button"
              aria-label={name}
              aria-pressed={colour === place}
              w="44px"
              h="44px"
              borderRadius="6px"
              borderWidth="3px"
              borderColor={colour === place ? 'live' : 'transparent'}
              p="6px"
              cursor="pointer"
              onClick={() => onColour(place)}
            >
              <chakra.span
                display="block"
                h="full"
                borderRadius="3px"
                borderWidth="1px"
                borderColor="edge"
                style={{ background: fill }}
              />
            </chakra.button>
          ))}
        </Flex>
      )}
    </Flex>
  )
}

interface ToolButtonProps {
  icon: LucideIcon
  word: string
  pressed?: boolean
  disabled?: boolean
  onPress: () => void
}

const ToolButton = ({ icon: Icon, word, pressed, disabled, onPress }: ToolButtonProps) => (
  <Button
    kind={pressed ? 'main' : 'plain'}
    size="small"
    aria-pressed={pressed}
    disabled={disabled}
    minW="52px"
    minH="44px"
    flexDirection="column"
    gap="0"
    px="6px"
    onClick={onPress}
  >
    <Icon size={18} aria-hidden="true" />
    {word}
  </Button>
)

/** Larger than the page is wide, to look closer without two fingers. */
export const ZoomButton = ({ large, onLarge }: { large: boolean; onLarge: (large: boolean) => void }) => (
  <Button size="small" kind="bare" minH="36px" aria-pressed={large} onClick={() => onLarge(!large)}>
    {large ? <ZoomOut size={16} aria-hidden="true" /> : <ZoomIn size={16} aria-hidden="true" />}
    {large ? 'Smaller' : 'Larger'}
  </Button>
)
