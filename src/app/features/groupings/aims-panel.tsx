import { chakra, Stack } from '@chakra-ui/react'
import { useId } from 'react'
import { type Aim, type AimContent, type Strength, sameAim } from '~/core/grouping/rules'
import type { Column } from '~/core/people/columns'
import { aimText, STRENGTH_WORDS } from './rule-text'

interface AimsPanelProps {
  aims: Aim[]
  columns: Column[]
  onChange: (aims: Aim[]) => void
}

/** What the groups should do as well as they can, each by how much. */
export function AimsPanel({ aims, columns, onChange }: AimsPanelProps) {
  const possible: AimContent[] = [
    { kind: 'fresh' },
    ...columns.flatMap(({ name }): AimContent[] => [
      { kind: 'mixed', column: name },
      { kind: 'matched', column: name },
    ]),
    { kind: 'keep' },
  ]
  const strengthOf = (aim: AimContent) => aims.find(each => sameAim(each, aim))?.strength ?? 0
  const set = (aim: AimContent, strength: number) => {
    const opposite = (each: Aim) =>
      strength > 0 && 'column' in each && 'column' in aim && each.column === aim.column
    const others = aims.filter(each => !sameAim(each, aim) && !opposite(each))
    onChange(strength === 0 ? others : [...others, { ...aim, strength: strength as Strength }])
  }
  return (
    <Stack gap="6px">
      {possible.map(aim => (
        <AimSlider
          key={aimText(aim)}
          label={aimText(aim)}
          strength={strengthOf(aim)}
          onChange={strength => set(aim, strength)}
        />
      ))}
    </Stack>
  )
}

interface AimSliderProps {
  label: string
  strength: Aim['strength'] | 0
  onChange: (strength: number) => void
}

function AimSlider({ label, strength, onChange }: AimSliderProps) {
  const id = useId()
  return (
    <chakra.div display="grid" gridTemplateColumns="1fr 84px 62px" gap="8px" alignItems="center">
      <chakra.label htmlFor={id} fontWeight={strength > 0 ? '650' : '400'} overflowWrap="anywhere">
        {label}
      </chakra.label>
      <chakra.input
        id={id}
        type="range"
        min={0}
        max={3}
        step={1}
        value={strength}
        accentColor="var(--live)"
        minH="28px"
        aria-valuetext={STRENGTH_WORDS[strength]}
        onChange={event => onChange(Number(event.target.value))}
      />
      <chakra.span color={strength > 0 ? 'ink' : 'quiet'} fontSize="s">
        {STRENGTH_WORDS[strength]}
      </chakra.span>
    </chakra.div>
  )
}
