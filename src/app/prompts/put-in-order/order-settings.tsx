import { LabelsField } from '../labels-field'
import type { SettingsProps } from '../look'

/** What is to be put in order. */
const OrderSettings = ({ name, settings, errors }: SettingsProps<'put-in-order'>) => (
  <LabelsField
    name={`${name}.lines`}
    label="Lines to put in order"
    hint="Two to twenty, one a line. Groups begin with none of them placed."
    lines={settings.lines}
    errors={errors.lines}
  />
)

export default OrderSettings
