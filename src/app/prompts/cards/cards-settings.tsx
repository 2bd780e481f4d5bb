import { Box, Flex, Stack } from '@chakra-ui/react'
import { Field, Input } from '../../ui/fields'
import { LabelsField } from '../labels-field'
import type { SettingsProps } from '../look'

/** Columns, and how many cards there may be. */
const CardsSettings = ({ name, settings, errors }: SettingsProps<'cards'>) => (
  <Stack gap="8px">
    <LabelsField
      name={`${name}.columns`}
      label="Columns"
      hint="Up to five, one a line, like “For” and “Against”. None: one space for all cards."
      lines={settings.columns}
      errors={errors.columns}
    />
    <Flex gap="12px" wrap="wrap">
      <Box w="200px">
        <Field label="Most cards of one person" hint="Empty: any number." errors={errors.mostEach}>
          {parts => (
            <Input
              {...parts}
              type="number"
              min={1}
              max={50}
              name={`${name}.mostEach`}
              defaultValue={settings.mostEach}
            />
          )}
        </Field>
      </Box>
      <Box w="200px">
        <Field label="Most cards of the group" hint="Empty: any number." errors={errors.mostGroup}>
          {parts => (
            <Input
              {...parts}
              type="number"
              min={1}
              max={200}
              name={`${name}.mostGroup`}
              defaultValue={settings.mostGroup}
            />
          )}
        </Field>
      </Box>
    </Flex>
  </Stack>
)

export default CardsSettings
