import { chakra, Stack } from '@chakra-ui/react'
import { type ReactNode, useId } from 'react'

const box = {
  bg: 'panel',
  color: 'ink',
  borderWidth: '1px',
  borderColor: 'edge',
  borderRadius: '6px',
  px: '10px',
  py: '7px',
  minH: '38px',
  w: 'full',
  fontSize: 'm',
  _placeholder: { color: 'quiet', opacity: 1 },
  _invalid: { borderColor: 'stop', borderWidth: '2px' },
} as const

/** Text boxes without a label of their own: use them inside `Field`, or give an `aria-label`. */
export const Input = chakra('input', {
  base: {
    ...box,
    // Browsers give what a date or time is made of some room of its own, which makes the box higher than its neighbours.
    '&::-webkit-datetime-edit-fields-wrapper, &::-webkit-datetime-edit': { py: '0', lineHeight: '1' },
  },
})
export const TextArea = chakra('textarea', {
  base: { ...box, minH: '76px', resize: 'vertical', lineHeight: '1.4' },
})
/** Browsers give a select's line more height than a text box's: so less around it. */
export const Select = chakra('select', { base: { ...box, py: '6px', cursor: 'pointer' } })
/** A choice within a line of text. */
export const SmallSelect = chakra('select', {
  base: {
    bg: 'panel',
    color: 'ink',
    borderWidth: '1px',
    borderColor: 'edge',
    borderRadius: '4px',
    px: '4px',
    minH: '26px',
    maxW: '100%',
  },
})

export interface FieldParts {
  id: string
  'aria-invalid': boolean | undefined
  'aria-describedby': string | undefined
}

interface FieldProps {
  label: string
  hint?: ReactNode
  errors?: readonly string[] | undefined
  /** Gives the control; spread the parts onto it so that label, hint and error belong to it. */
  children: (parts: FieldParts) => ReactNode
  hideLabel?: boolean
  /** Where the field is gone to from elsewhere on the page. */
  id?: string
}

/** A label, the control, a hint, and what is wrong with it. */
export function Field({ label, hint, errors, children, hideLabel, id: given }: FieldProps) {
  const made = useId()
  const id = given ?? made
  const wrong = errors !== undefined && errors.length > 0
  const describedBy = [hint && `${id}-hint`, wrong && `${id}-error`].filter(Boolean).join(' ')
  return (
    <Stack gap="4px" minW="0">
      <chakra.label htmlFor={id} fontWeight="600" fontSize="s" srOnly={hideLabel}>
        {label}
      </chakra.label>
      {children({ id, 'aria-invalid': wrong || undefined, 'aria-describedby': describedBy || undefined })}
      {hint && (
        <chakra.div id={`${id}-hint`} color="quiet" fontSize="s">
          {hint}
        </chakra.div>
      )}
      {wrong && (
        <chakra.div id={`${id}-error`} color="stop" fontSize="s" fontWeight="600">
          {errors.join(' ')}
        </chakra.div>
      )}
    </Stack>
  )
}

interface NumberFieldProps extends Omit<FieldProps, 'children'> {
  name: string
  least: number
  most: number
  defaultValue: number | string | undefined
}

/** A whole number within limits, to type. */
export const NumberField = ({ name, least, most, defaultValue, ...field }: NumberFieldProps) => (
  <Field {...field}>
    {parts => (
      <Input {...parts} type="number" min={least} max={most} name={name} defaultValue={defaultValue} />
    )}
  </Field>
)

const tickBox = { w: '20px', h: '20px', accentColor: 'var(--live)', cursor: 'pointer', flexShrink: '0' }

/** A box to tick, with its words beside it. */
export function Tick({ children, ...input }: React.ComponentProps<typeof chakra.input>) {
  return (
    <chakra.label display="inline-flex" alignItems="center" gap="8px" cursor="pointer" minH="30px">
      <chakra.input type="checkbox" {...tickBox} {...input} />
      <span>{children}</span>
    </chakra.label>
  )
}

/** One of several choices of the same name, with its words beside it. */
export function Choice(props: React.ComponentProps<typeof chakra.input>) {
  return <Tick {...props} type="radio" />
}
