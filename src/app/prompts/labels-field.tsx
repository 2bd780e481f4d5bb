import { Field, TextArea } from '../ui/fields'

interface LabelsFieldProps {
  name: string
  label: string
  hint?: string
  lines: readonly string[] | undefined
  errors: readonly string[] | undefined
}

/** A list of labels in a prompt's settings, one a line. */
export const LabelsField = ({ name, label, hint, lines, errors }: LabelsFieldProps) => (
  <Field label={label} hint={hint ?? 'One a line.'} errors={errors}>
    {parts => (
      <TextArea
        {...parts}
        name={name}
        rows={Math.min(8, Math.max(3, (lines?.length ?? 0) + 1))}
        minH="76px"
        defaultValue={lines?.join('\n')}
      />
    )}
  </Field>
)
