import type { MaterialToGive } from '~/contracts/live-material'
import { Field, Select } from '../../../ui/fields'
import { useOffered } from '../use-offered'

interface FromLibraryProps {
  sessionId: string
  materialId: string
  onChoose: (materialId: string) => void
}

/** One thing of the library. */
export function FromLibrary({ sessionId, materialId, onChoose }: FromLibraryProps) {
  const { offered, problem } = useOffered<MaterialToGive>(`/sessions/${sessionId}/material`, 'material')
  return (
    <Field label="From the library" errors={problem ? [problem] : undefined}>
      {parts => (
        <Select {...parts} value={materialId} onChange={event => onChoose(event.target.value)}>
          <option value="">{offered ? 'Choose' : 'Fetching…'}</option>
          {offered?.map(({ id, title, kind }) => (
            <option key={id} value={id}>
              {title} ({kind})
            </option>
          ))}
        </Select>
      )}
    </Field>
  )
}
