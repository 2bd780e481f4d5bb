import { Save } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { Button } from '../../ui/button'
import { NamePrompt } from '../../ui/name-prompt'

interface KeepGroupsProps {
  sessionId: string
  title: string
}

type Kept = { groupingId: string; name: string; leftOut: string[] }

/** Keeps the rooms as they are now with the cohort, under a name, to be used again. */
export function KeepGroups({ sessionId, title }: KeepGroupsProps) {
  const [name, setName] = useState<string | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [kept, setKept] = useState<Kept | null>(null)
  const keep = async (as: string) => {
    setProblem(null)
    try {
      const answer = await fetch(`/sessions/${sessionId}/keep-groups`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ name: as }),
      })
      const said = (await answer.json()) as ({ ok: true } & Kept) | { ok: false; message: string }
      if (!said.ok) return setProblem(said.message)
      setKept({ groupingId: said.groupingId, leftOut: said.leftOut, name: as.trim() })
      setName(null)
    } catch {
      setProblem('The server could not be reached. Nothing was kept; try again in a moment.')
    }
  }
  if (kept)
    return (
      <p role="status">
        Kept as <Link to={`/groupings/${kept.groupingId}`}>{kept.name}</Link>.
        {kept.leftOut.length > 0 && ` Left out, as they are on no list: ${kept.leftOut.join(', ')}.`}
      </p>
    )
  if (name === null)
    return (
      <Button size="small" kind="bare" onClick={() => setName(title)}>
        <Save size={16} aria-hidden="true" /> Keep the groups
      </Button>
    )
  return (
    <NamePrompt
      label="Name of the grouping"
      action="Keep"
      most={80}
      value={name}
      problem={problem}
      onType={setName}
      onDone={() => keep(name)}
      onCancel={() => setName(null)}
    />
  )
}
