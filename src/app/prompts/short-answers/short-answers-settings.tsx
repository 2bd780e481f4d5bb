import { LabelsField } from '../labels-field'
import type { SettingsProps } from '../look'

/** The fields, as lines. */
const ShortAnswersSettings = ({ name, settings, errors }: SettingsProps<'short-answers'>) => (
  <LabelsField
    name={`${name}.fields`}
    label="Fields"
    hint="One a line: “Who you asked” for words. For a number add its unit after a bar, and limits if there are any: “Depth | cm | 0 to 300”."
    lines={settings.fields}
    errors={errors.fields}
  />
)

export default ShortAnswersSettings
