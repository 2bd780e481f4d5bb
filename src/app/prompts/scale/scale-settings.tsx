import { Box, Flex, Stack } from '@chakra-ui/react'
import { Field, Input, NumberField, Tick } from '../../ui/fields'
import type { SettingsProps } from '../look'

/** What the ends mean, and how many steps lie between them. */
const ScaleSettings = ({ name, settings, errors }: SettingsProps<'scale'>) => (
  <Stack gap="8px">
    <Flex gap="12px" wrap="wrap">
      <Box flex="1" minW="160px">
        <Field label="The low end, 1, means" errors={errors.low}>
          {parts => <Input {...parts} name={`${name}.low`} defaultValue={settings.low} />}
        </Field>
      </Box>
      <Box flex="1" minW="160px">
        <Field label="The high end means" errors={errors.high}>
          {parts => <Input {...parts} name={`${name}.high`} defaultValue={settings.high} />}
        </Field>
      </Box>
      <Box w="90px">
        <NumberField
          label="Steps"
          errors={errors.steps}
          name={`${name}.steps`}
          least={2}
          most={11}
          defaultValue={settings.steps}
        />
      </Box>
    </Flex>
    <Tick name={`${name}.reasons`} defaultChecked={settings.reasons}>
      Ask why
    </Tick>
  </Stack>
)

export default ScaleSettings
