import { Flex, Stack } from '@chakra-ui/react'
import { Choice, Field, TextArea } from '../../ui/fields'
import type { SettingsProps } from '../look'

/** What is hidden, and who opens it. */
const HiddenTextSettings = ({ name, settings, errors }: SettingsProps<'hidden-text'>) => (
  <Stack gap="8px">
    <Field
      label="Text that is hidden"
      hint="It is sent to a room only when it is opened there. What stands above is always read, so call it: Hint, Solution."
      errors={errors.hidden}
    >
      {parts => (
        <TextArea
          {...parts}
          name={`${name}.hidden`}
          defaultValue={settings.hidden}
          maxLength={2000}
          rows={4}
        />
      )}
    </Field>
    <Flex as="fieldset" gap="16px" wrap="wrap" aria-label="Who opens it">
      <Choice name={`${name}.opens`} value="group" defaultChecked={settings.opens === 'group'}>
        The group, when it wants to
      </Choice>
      <Choice name={`${name}.opens`} value="facilitator" defaultChecked={settings.opens === 'facilitator'}>
        Only the facilitator
      </Choice>
    </Flex>
  </Stack>
)

export default HiddenTextSettings
