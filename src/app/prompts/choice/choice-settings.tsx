import { Flex, Stack } from '@chakra-ui/react'
import { Choice, Tick } from '../../ui/fields'
import { LabelsField } from '../labels-field'
import type { SettingsProps } from '../look'

/** What there is to choose from, and who chooses. */
const ChoiceSettings = ({ name, settings, errors }: SettingsProps<'choice'>) => (
  <Stack gap="8px">
    <LabelsField
      name={`${name}.options`}
      label="Answers to choose from"
      hint="Two to six, one a line. They are lettered: A, B, C."
      lines={settings.options}
      errors={errors.options}
    />
    <Flex as="fieldset" gap="16px" wrap="wrap" aria-label="Who chooses">
      <Choice name={`${name}.by`} value="group" defaultChecked={settings.by === 'group'}>
        The group chooses once
      </Choice>
      <Choice name={`${name}.by`} value="each" defaultChecked={settings.by === 'each'}>
        Each chooses for themselves
      </Choice>
    </Flex>
    <Tick name={`${name}.reasons`} defaultChecked={settings.reasons}>
      Ask why
    </Tick>
  </Stack>
)

export default ChoiceSettings
