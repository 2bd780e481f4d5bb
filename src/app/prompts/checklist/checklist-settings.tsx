import { Stack } from '@chakra-ui/react'
import { Tick } from '../../ui/fields'
import { LabelsField } from '../labels-field'
import type { SettingsProps } from '../look'

/** Lines that are given, and whether there can be more. */
const ChecklistSettings = ({ name, settings, errors }: SettingsProps<'checklist'>) => (
  <Stack gap="8px">
    <LabelsField name={`${name}.lines`} label="Lines to tick" lines={settings.lines} errors={errors.lines} />
    <Tick name={`${name}.add`} defaultChecked={settings.add}>
      The group can add lines
    </Tick>
  </Stack>
)

export default ChecklistSettings
