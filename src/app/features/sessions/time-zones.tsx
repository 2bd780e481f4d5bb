import { useEffect, useId, useState } from 'react'
import { Input } from '../../ui/fields'

interface TimeZonesProps {
  id: string
  name: string
  chosen: string | undefined
}

/** Time zones this browser knows, found by typing; a new plan starts with its own. */
export function TimeZones({ chosen, name, ...field }: TimeZonesProps) {
  const [zones, setZones] = useState<string[]>([])
  const [value, setValue] = useState(chosen ?? 'UTC')
  const listId = useId()
  useEffect(() => {
    setZones([...Intl.supportedValuesOf('timeZone'), 'UTC'])
    if (!chosen) setValue(Intl.DateTimeFormat().resolvedOptions().timeZone)
  }, [chosen])
  return (
    <>
      <Input
        {...field}
        name={name}
        list={listId}
        autoComplete="off"
        value={value}
        // Choosing means typing a part of another one: the whole of it is marked first.
        onFocus={event => event.target.select()}
        onChange={event => setValue(event.target.value)}
      />
      <datalist id={listId}>
        {zones.map(zone => (
          <option key={zone} value={zone} />
        ))}
      </datalist>
    </>
  )
}
