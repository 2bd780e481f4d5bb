import type { RoleRule } from '~/core/grouping/roles'
import { type GroupsFrom, segmentName } from '~/core/schedule/running-order'
import { MOVED_AT_ONCE } from '~/core/schedule/terms'
import { BoardWords } from './board-words'
import type { RoundWordsProps } from './round-words-props'
import { Pick, Text } from './words'

/** What a round is, in words: where its groups come from, what they work on, how they go, and how they come back. */
export function RoundWords({ segment, earlier, world, onChange }: RoundWordsProps) {
  return (
    <>
      <GroupWords segment={segment} earlier={earlier} world={world} onChange={onChange} />
      <BoardWords segment={segment} earlier={earlier} world={world} onChange={onChange} />
      <MovesWords segment={segment} onChange={onChange} />
      <RolesWords segment={segment} onChange={onChange} />
      <span>Warned</span>
      <Pick
        label="Warnings"
        value={segment.warnings.join(' ')}
        onPick={text => onChange({ warnings: text === '' ? [] : text.split(' ').map(Number) })}
      >
        {WARNINGS.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </Pick>
      <span>before the end, then</span>
      <Pick
        label="Time to come back"
        value={String(segment.graceSeconds)}
        onPick={text => onChange({ graceSeconds: Number(text) })}
      >
        {[...new Set([0, 15, 30, 60, 90, 120, segment.graceSeconds])]
          .sort((one, other) => one - other)
          .map(seconds => (
            <option key={seconds} value={seconds}>
              {seconds} s
            </option>
          ))}
      </Pick>
      <span>to come back.</span>
    </>
  )
}

type WordsProps = Omit<RoundWordsProps, 'earlier' | 'world'>

function GroupWords({ segment, earlier, world, onChange }: RoundWordsProps) {
  const { groups } = segment
  const rounds = earlier.filter(({ kind }) => kind === 'rooms')
  return (
    <>
      <span>min in rooms, groups</span>
      <Pick
        label="Groups"
        value={groupsKey(groups)}
        onPick={key => {
          const groups = groupsOf(key)
          onChange({ groups, ...(groups.from === 'next-step' && { asLeft: true }) })
        }}
      >
        <option value="live">made in the session</option>
        <option value="choice">by choice of room</option>
        {rounds.map(round => (
          <option key={round.id} value={`earlier ${round.id}`}>
            as in {segmentName(round)}
          </option>
        ))}
        {rounds.map(round => (
          <option key={round.id} value={`next-step ${round.id}`}>
            of {segmentName(round)}, one room on
          </option>
        ))}
        {world.groupings.flatMap(({ id, name, rounds: all }) =>
          all.map(({ groups: some }, round) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: rounds have nothing but their number.
            <option key={`${id} ${round}`} value={`grouping ${id} ${round}`}>
              {name}
              {all.length > 1 && `, round ${round + 1}`} ({some.length})
            </option>
          )),
        )}
      </Pick>
      {groups.from === 'choice' && (
        <>
          <Text
            label="Rooms to choose from"
            value={groups.rooms.join(', ')}
            most={2_000}
            onKeep={text => {
              const rooms = [...new Set(text.split(',').map(name => name.trim().slice(0, 60)))].filter(
                Boolean,
              )
              if (rooms.length > 0) onChange({ groups: { ...groups, rooms: rooms.slice(0, 100) } })
            }}
          />
          <span>of at least</span>
          <Count
            label="Smallest size"
            value={groups.least}
            of={[1, 2, 3, 4, 5, 6]}
            onPick={least =>
              onChange({
                groups: { ...groups, least, most: groups.most === 0 ? 0 : Math.max(least, groups.most) },
              })
            }
          />
          <span>and at most</span>
          <Pick
            label="Largest size"
            value={String(groups.most)}
            onPick={most => onChange({ groups: { ...groups, most: Number(most) } })}
          >
            <option value="0">any number</option>
            {[...new Set([2, 3, 4, 5, 6, 8, 10, 12, groups.most])]
              .filter(most => most >= groups.least && most > 0)
              .sort((one, other) => one - other)
              .map(most => (
                <option key={most} value={most}>
                  {most}
                </option>
              ))}
          </Pick>
        </>
      )}
    </>
  )
}

const STAYING = [
  ['stay', 'stay in their room'],
  ['change', 'may change rooms'],
  ['return', 'may come back'],
  ['both', 'may change rooms and come back'],
] as const

function MovesWords({ segment, onChange }: WordsProps) {
  const terms = segment.terms ?? MOVED_AT_ONCE
  const { invited, mayChange, mayReturn } = terms
  return (
    <>
      <span>People are</span>
      <Pick
        label="How they go"
        value={invited ? 'invited' : 'at-once'}
        onPick={how => onChange({ terms: { ...terms, invited: how === 'invited' } })}
      >
        <option value="at-once">moved at once</option>
        <option value="invited">invited to go</option>
      </Pick>
      <span>and</span>
      <Pick
        label="What they may do"
        value={mayChange ? (mayReturn ? 'both' : 'change') : mayReturn ? 'return' : 'stay'}
        onPick={may =>
          onChange({
            terms: {
              invited,
              mayChange: may === 'change' || may === 'both',
              mayReturn: may === 'return' || may === 'both',
            },
          })
        }
      >
        {STAYING.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </Pick>
    </>
  )
}

const ROLE_WORDS: Record<RoleRule, string> = {
  alphabet: 'by alphabet',
  turn: 'by turns',
  random: 'at random',
}

function RolesWords({ segment, onChange }: WordsProps) {
  const { roles } = segment
  return (
    <>
      <span>Roles</span>
      <Pick
        label="Roles"
        value={roles?.rule ?? ''}
        onPick={rule =>
          onChange({
            roles: rule === '' ? undefined : { rule: rule as RoleRule, mayPass: roles?.mayPass ?? true },
          })
        }
      >
        <option value="">none</option>
        {(Object.keys(ROLE_WORDS) as RoleRule[]).map(rule => (
          <option key={rule} value={rule}>
            {ROLE_WORDS[rule]}
          </option>
        ))}
      </Pick>
      {roles && (
        <Pick
          label="Passing roles on"
          value={roles.mayPass ? 'may' : 'stay'}
          onPick={may => onChange({ roles: { ...roles, mayPass: may === 'may' } })}
        >
          <option value="may">that may be passed on</option>
          <option value="stay">that stay</option>
        </Pick>
      )}
    </>
  )
}

const Count = ({
  label,
  value,
  of,
  onPick,
}: {
  label: string
  value: number
  of: number[]
  onPick: (value: number) => void
}) => (
  <Pick label={label} value={String(value)} onPick={text => onPick(Number(text))}>
    {[...new Set([...of, value])]
      .sort((one, other) => one - other)
      .map(each => (
        <option key={each} value={each}>
          {each}
        </option>
      ))}
  </Pick>
)

const WARNINGS = [
  ['300 60', '5 min and 1 min'],
  ['120', '2 min'],
  ['60', '1 min'],
  ['300 120 60', '5, 2 and 1 min'],
  ['', 'not'],
] as const

const groupsKey = (groups: GroupsFrom): string => {
  if (groups.from === 'grouping') return `grouping ${groups.groupingId} ${groups.round}`
  return 'segmentId' in groups ? `${groups.from} ${groups.segmentId}` : groups.from
}

function groupsOf(key: string): GroupsFrom {
  const [from, id = '', round = '0'] = key.split(' ')
  if (from === 'earlier' || from === 'next-step') return { from, segmentId: id }
  if (from === 'choice') return { from, rooms: ['Room 1', 'Room 2', 'Room 3'], least: 2, most: 5 }
  return from === 'grouping' ? { from, groupingId: id, round: Number(round) } : { from: 'live' }
}
