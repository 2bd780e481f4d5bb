import { useEffect, useState } from 'react'
import type { WorkerReply } from '~/contracts/grouping-worker'
import type { Send } from '../../live/live-view'
import { GroupingClient } from '../../workers/grouping-client'
import { type Making, roomNames, roomsTask, saidOf } from './rooms-task'

/** Makes rooms in the worker and asks for them. */
export function useMakingRooms(making: Making & { send: Send }) {
  const { facts, asked, groups, send } = making
  const [client] = useState(() => new GroupingClient())
  useEffect(() => () => client.stop(), [client])
  const [busy, setBusy] = useState(false)
  const [failed, setFailed] = useState(false)
  const [said, setSaid] = useState<string | null>(null)
  const make = (sizes: readonly number[]) => {
    if (busy) return
    setBusy(true)
    setFailed(false)
    setSaid(null)
    const seed = crypto.getRandomValues(new Int32Array(1))[0] ?? 0
    const hear = async (reply: WorkerReply) => {
      const isAnswer = reply.kind === 'drawn' || (reply.kind === 'step' && reply.done)
      if (!isAnswer) return
      const found = roomNames(groups, reply.groups.length)
      await send({
        type: 'make-rooms',
        groups: reply.groups.map((participantIds, index) => ({ name: found[index] ?? '', participantIds })),
      })
      setSaid(saidOf(reply, facts, asked))
      setBusy(false)
    }
    client.ask(roomsTask(making, sizes, seed), hear, () => {
      setBusy(false)
      setFailed(true)
    })
  }
  return { make, busy, said, failed }
}
