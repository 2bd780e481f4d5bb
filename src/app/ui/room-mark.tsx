import { useId } from 'react'

/** Patterns in a 12 by 12 tile: rooms are told apart by them and by name, never by colour. */
const PATTERNS = [
  'M0 6h12',
  'M6 0v12M0 6h12',
  'M0 12L12 0M-3 3L3-3M9 15L15 9',
  'M3 3h.01M9 9h.01M9 3h.01M3 9h.01',
  'M0 9L6 3L12 9',
  'M0 12L12 0M0 0L12 12',
  'M6 0v12',
  'M2 6a4 4 0 1 0 8 0a4 4 0 1 0-8 0',
  'M0 3h6v6h6',
  'M0 0L12 12M-3 9L3 15M9-3L15 3',
  'M0 4c3-4 3 4 6 0s3 4 6 0M0 10c3-4 3 4 6 0s3 4 6 0',
  'M4 4h4v4h-4z',
]

const NOT_SHRUNK = { flexShrink: 0 }

/** The patterned mark of a room, by where it stands among the rooms. Decoration: the name always stands beside it. */
export function RoomMark({ index, size = 20 }: { index: number; size?: number }) {
  const id = useId()
  const path = PATTERNS[index % PATTERNS.length]
  return (
    <svg width={size} height={size} viewBox="0 0 24 24" aria-hidden="true" style={NOT_SHRUNK}>
      <defs>
        <pattern id={id} width="12" height="12" patternUnits="userSpaceOnUse">
          <path
            d={path}
            stroke="var(--ink)"
            strokeWidth={index % PATTERNS.length === 3 ? 4 : 2}
            strokeLinecap="round"
            fill="none"
          />
        </pattern>
      </defs>
      <rect x="1" y="1" width="22" height="22" rx="4" fill="var(--panel)" />
      <rect
        x="1"
        y="1"
        width="22"
        height="22"
        rx="4"
        fill={`url(#${id})`}
        stroke="var(--ink)"
        strokeWidth="2"
      />
    </svg>
  )
}
