import { Flex } from '@chakra-ui/react'
import { PICTURES } from '~/contracts/forms/sessions'
import { CALL_WAYS } from '~/core/live/call/ways'
import { RIGHT_WORDS, WHO_WORDS } from '~/core/live/rights/right-words'
import { WHO_WRITES } from '~/core/live/rights/writing'
import { CALL_WAY_WORDS } from '../../live/call/call-words'
import { Field, Select } from '../../ui/fields'

export const PICTURE_WORDS: Record<(typeof PICTURES)[number], string> = {
  added: RIGHT_WORDS.pictures.may,
  'not-added': RIGHT_WORDS.pictures.mayNot,
}

/** What people may do in rooms from the opening on. All of it can be changed while the session runs, also for one room. */
export function WhatPeopleMay(chosen: Partial<Record<'writing' | 'pictures' | 'callWay', string>>) {
  return (
    <Flex gap="12px" wrap="wrap">
      <Choice
        label="Who writes in rooms"
        name="writing"
        words={WHO_WORDS}
        all={WHO_WRITES}
        chosen={chosen.writing}
      />
      <Choice
        label="Pictures of their own"
        name="pictures"
        words={PICTURE_WORDS}
        all={PICTURES}
        chosen={chosen.pictures}
      />
      <Choice
        label="Rooms talk aloud"
        name="callWay"
        words={CALL_WAY_WORDS}
        all={CALL_WAYS}
        chosen={chosen.callWay}
      />
    </Flex>
  )
}

interface ChoiceProps<Value extends string> {
  label: string
  name: string
  words: Record<Value, string>
  all: readonly Value[]
  chosen: string | undefined
}

function Choice<Value extends string>({ label, name, words, all, chosen }: ChoiceProps<Value>) {
  return (
    <Field label={label}>
      {parts => (
        <Select {...parts} name={name} defaultValue={chosen ?? all[0]}>
          {all.map(value => (
            <option key={value} value={value}>
              {words[value]}
            </option>
          ))}
        </Select>
      )}
    </Field>
  )
}
