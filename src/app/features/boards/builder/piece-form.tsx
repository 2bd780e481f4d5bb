import { parseWithZod } from '@conform-to/zod/v4'
import { type ReactNode, useRef, useState } from 'react'
import type { z } from 'zod'

/** What is wrong with the fields, by name; under no name what is wrong with all of them. */
export type Errors = Readonly<Record<string, string[]>>

interface PieceFormProps<Value> {
  schema: z.ZodType<Value>
  label: string
  /** What its fields say, each time somebody has written something that can be kept; with the field it was. */
  onChange: (value: Value, field: string) => void
  children: (errors: Errors) => ReactNode
}

/** Fields of one piece of a board. What cannot be kept as it is stays in its field, with what is wrong beside it. */
export function PieceForm<Value>({ schema, label, onChange, children }: PieceFormProps<Value>) {
  const form = useRef<HTMLFormElement>(null)
  const [errors, setErrors] = useState<Errors>({})
  const read = (field: string) => {
    if (!form.current) return
    const submission = parseWithZod(new FormData(form.current), { schema })
    if (submission.status === 'success') {
      onChange(submission.value, field)
      setErrors({})
    } else setErrors(found(submission.error))
  }
  return (
    <form
      ref={form}
      aria-label={label}
      noValidate
      onSubmit={event => event.preventDefault()}
      onInput={event => read((event.target as HTMLInputElement).name)}
    >
      {children(errors)}
    </form>
  )
}

const found = (error: Record<string, string[] | null> | null | undefined): Errors =>
  Object.fromEntries(Object.entries(error ?? {}).flatMap(([name, wrong]) => (wrong ? [[name, wrong]] : [])))
