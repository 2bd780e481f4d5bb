import type { FieldMetadata } from '@conform-to/react'
import { Field, Input } from '../../ui/fields'

interface AccountFieldsProps {
  fields: Record<'displayName' | 'email' | 'password', FieldMetadata<string>>
}

/** Name, email and password of a new account. */
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
      <Field label="Password" hint="At least 10 characters." errors={fields.password.errors}>
        {parts => <Input {...parts} name="password" type="password" autoComplete="new-password" />}
      </Field>
    </>
  )
}
