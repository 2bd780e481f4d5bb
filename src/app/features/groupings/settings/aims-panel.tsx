import { chakra, Stack } from '@chakra-ui/react'
import { useId } from 'react'
import { type Aim, type AimContent, type Strength, sameAim } from '~/core/grouping/rules'
import type { Column } from '~/core/people/columns'
import { aimText, STRENGTH_WORDS } from './rule-text'

interface AimsPanelProps {
  aims: Aim[]
  columns: Column[]
  /** Ended sessions of the cohort, from which it is known who has met. */
  sessions: number
  onChange: (aims: Aim[]) => void
}

/** What the groups should do as well as they can, each by how much. */
export function AimsPanel({ aims, columns, sessions, onChange }: AimsPanelProps) {
  const strengthOf = (aim: AimContent) => aims.find(each => sameAim(each, aim))?.strength ?? 0
  const set = (aim: AimContent, strength: number) => {
    const others = aims.filter(each => !sameAim(each, aim))
    onChange(strength === 0 ? others : [...others, { ...aim, strength: strength as Strength }])
  }
  const columnAim = (name: string, wanted: number) => {
    const others = aims.filter(each => !('column' in each) || each.column !== name)
    const kind = wanted > 0 ? ('mixed' as const) : ('matched' as const)
    const strength = Math.abs(wanted) as Strength
    onChange(wanted === 0 ? others : [...others, { kind, column: name, strength }])
  }
  return (
    <Stack gap="6px">
      <AimSlider
        label={aimText({ kind: 'fresh' })}
        hint={
          sessions === 0 ? 'Nobody has met in a session yet; from the first one on this counts.' : undefined
        }
        value={strengthOf({ kind: 'fresh' })}
        least={0}
        words={strengthWords}
        onChange={strength => set({ kind: 'fresh' }, strength)}
      />
      {columns.map(({ name }) => (
        <AimSlider
          key={name}
          label={name}
          value={strengthOf({ kind: 'mixed', column: name }) - strengthOf({ kind: 'matched', column: name })}
          least={-3}
          words={columnWords}
          onChange={wanted => columnAim(name, wanted)}
        />
      ))}
      <AimSlider
        label={aimText({ kind: 'keep' })}
        value={strengthOf({ kind: 'keep' })}
        least={0}
        words={strengthWords}
        onChange={strength => set({ kind: 'keep' }, strength)}
      />
    </Stack>
  )
}

const strengthWords = (value: number): string => STRENGTH_WORDS[Math.abs(value) as Strength | 0]

/** From alike through no matter to mixed. */
const columnWords = (value: number): string =>
  value === 0 ? 'no matter' : `${value > 0 ? 'mixed' : 'alike'}, ${strengthWords(value)}`

interface AimSliderProps {
  label: string
  hint?: string
  value: number
  least: number
  words: (value: number) => string
  onChange: (value: number) => void
}

function AimSlider({ label, hint, value, least, words, onChange }: AimSliderProps) {
  const id = useId()
  return (
    <chakra.div display="grid" gridTemplateColumns="1fr 92px" gap="2px 8px" alignItems="center">
      <chakra.label htmlFor={id} fontWeight={value !== 0 ? '650' : '400'} overflowWrap="anywhere">
        {label}
        <chakra.span display="block" fontSize="s" fontWeight="400" color={value !== 0 ? 'ink' : 'quiet'}>
          {words(value)}
        </chakra.span>
      </chakra.label>
      <chakra.input
        id={id}
        type="range"
        min={least}
        max={3}
        step={1}
        value={value}
        minH="28px"
        aria-valuetext={words(value)}
        onChange={event => onChange(Number(event.target.value))}
      />
      {hint && (
        <chakra.span gridColumn="1 / -1" fontSize="s" color="quiet">
          {hint}
        </chakra.span>
      )}
    </chakra.div>
  )
}
