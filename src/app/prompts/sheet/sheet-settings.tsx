import { Field, TextArea } from '../../ui/fields'
import { ChoosePictures } from '../choose-pictures'
import type { SettingsProps } from '../look'

/** What the group goes on from. */
const SheetSettings = ({ name, settings, errors }: SettingsProps<'sheet'>) => (
  <>
    <Field
      label="Begins with (optional)"
      hint="A text to go on from. “# ” before a line makes it a heading, “- ” a point."
      errors={errors.begin}
    >
      {parts => (
        <TextArea
          {...parts}
          name={`${name}.begin`}
          defaultValue={settings.begin ?? ''}
          maxLength={5000}
          rows={4}
        />
      )}
    </Field>
    <ChoosePictures
      name={name}
      legend="Pictures to put into the text (optional)"
      chosen={settings.pictures ?? []}
      errors={errors.pictures}
    />
  </>
)

export default SheetSettings
