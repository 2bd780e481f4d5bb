import { Flex, Stack } from '@chakra-ui/react'
import { useState } from 'react'
import { Choice } from '../../ui/fields'
import { LabelsField } from '../labels-field'
import type { SettingsProps } from '../look'

const WAYS = [
  { value: 'added', words: 'The group adds rows' },
  { value: 'given', words: 'The rows are given' },
  { value: 'people', words: 'One row for each person: the others ask and write' },
] as const

/** Its columns, and where its rows come from. */
export default function TableSettings({ name, settings, errors }: SettingsProps<'table'>) {
  const [rows, setRows] = useState(settings.rows)
  return (
    <Stack gap="8px">
      <LabelsField
        name={`${name}.columns`}
        label="Columns"
        lines={settings.columns}
        errors={errors.columns}
      />
      <Flex as="fieldset" gap="6px 16px" wrap="wrap" aria-label="Where rows come from">
        {WAYS.map(({ value, words }) => (
          <Choice
            key={value}
            name={`${name}.rows`}
            value={value}
            checked={rows === value}
            onChange={() => setRows(value)}
          >
            {words}
          </Choice>
        ))}
      </Flex>
      {rows === 'given' && (
        <LabelsField
          name={`${name}.lines`}
          label="Rows"
          lines={settings.lines}
          errors={errors.lines ?? errors['']}
        />
      )}
    </Stack>
  )
}
