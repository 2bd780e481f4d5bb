import type { ReactNode } from 'react'
import { LONGEST_SEGMENT } from '~/core/schedule/running-order'
import { Input, Select } from '../../../ui/fields'

interface PickProps {
  label: string
  value: string
  onPick: (value: string) => void
  children: ReactNode
}

/** A word of the sentence that is one of several. */
export const Pick = ({ label, value, onPick, children }: PickProps) => (
  <Select
    aria-label={label}
    w="auto"
    maxW="260px"
    minH="30px"
    py="2px"
    value={value}
    onChange={event => onPick(event.target.value)}
  >
    {children}
  </Select>
)

interface TextProps {
  label: string
  value: string
  most: number
  placeholder?: string
  /** Left empty it says again what it said. */
  needed?: boolean
  onKeep: (text: string) => void
}

/** A word of the sentence that is written: kept when one leaves it, or with Enter. */
export const Text = ({ label, value, most, placeholder, needed = false, onKeep }: TextProps) => (
  <Input
    key={value}
    aria-label={label}
    w="180px"
    minH="30px"
    py="2px"
    fontWeight="600"
    maxLength={most}
    placeholder={placeholder}
    defaultValue={value}
    onBlur={event => {
      const typed = event.target.value.trim()
      if (needed && typed === '') event.target.value = value
      else if (typed !== value) onKeep(typed)
    }}
    onKeyDown={event => event.key === 'Enter' && event.currentTarget.blur()}
  />
)

export const Minutes = ({ value, onKeep }: { value: number; onKeep: (minutes: number) => void }) => (
  <Input
    key={value}
    type="number"
    aria-label="Minutes"
    w="70px"
    minH="30px"
    py="2px"
    min={1}
    max={LONGEST_SEGMENT}
    defaultValue={value}
    onBlur={event => {
      const minutes = Number(event.target.value)
      if (event.target.value === '' || !Number.isInteger(minutes) || minutes < 1 || minutes > LONGEST_SEGMENT)
        event.target.value = String(value)
      else if (minutes !== value) onKeep(minutes)
    }}
    onKeyDown={event => event.key === 'Enter' && event.currentTarget.blur()}
  />
)
