import { Box, Flex, Stack } from '@chakra-ui/react'
import { NumberField, Tick } from '../../ui/fields'
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
        <NumberField
          label="Most cards of one person"
          hint="Empty: any number."
          errors={errors.mostEach}
          name={`${name}.mostEach`}
          least={1}
          most={50}
          defaultValue={settings.mostEach}
        />
      </Box>
      <Box w="200px">
        <NumberField
          label="Most cards of the group"
          hint="Empty: any number."
          errors={errors.mostGroup}
          name={`${name}.mostGroup`}
          least={1}
          most={200}
          defaultValue={settings.mostGroup}
        />
      </Box>
    </Flex>
    <Tick name={`${name}.seen`} value="when-opened" defaultChecked={settings.seen === 'when-opened'}>
      Everybody thinks first: cards are hidden from the others until the facilitator opens them
    </Tick>
  </Stack>
)

export default CardsSettings
