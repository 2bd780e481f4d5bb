import type { FieldMetadata } from '@conform-to/react'
import { Field, Input } from '../../ui/fields'

interface AccountFieldsProps {
  fields: Record<'displayName' | 'email', FieldMetadata<string>>
}

/** Name and email of a new account. */
export function AccountFields({ fields }: AccountFieldsProps) {
  return (
    <>
      <Field label="Name" hint="As participants see it on your messages." errors={fields.displayName.errors}>
        {parts => (
          <Input
            {...parts}
            name="displayName"
            autoComplete="off"
            defaultValue={fields.displayName.initialValue}
          />
        )}
      </Field>
      <Field label="Email" errors={fields.email.errors}>
        {parts => (
          <Input
            {...parts}
            name="email"
            type="email"
            autoComplete="off"
            defaultValue={fields.email.initialValue}
          />
        )}
      </Field>
    </>
  )
}

interface PasswordFieldProps {
  field: FieldMetadata<string>
  label: string
  /** Chosen now, and not asked for. */
  isNew?: boolean
}

export function PasswordField({ field, label, isNew = false }: PasswordFieldProps) {
  return (
    <Field label={label} hint={isNew ? 'At least 10 characters.' : undefined} errors={field.errors}>
      {parts => (
        <Input
          {...parts}
          key={field.key}
          name={field.name}
          type="password"
          autoComplete={isNew ? 'new-password' : 'current-password'}
        />
      )}
    </Field>
  )
}
