import { Field, Input } from '../../ui/fields'
import type { SettingsProps } from '../look'

/** Where it leads. */
const LinkSettings = ({ name, settings, errors }: SettingsProps<'link'>) => (
  <Field label="Address" hint="A whole address: https://…" errors={errors.address}>
    {parts => <Input {...parts} type="url" name={`${name}.address`} defaultValue={settings.address} />}
  </Field>
)

export default LinkSettings
