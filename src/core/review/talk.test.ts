import type { Line } from '../live/talk/line'
import type { TalkState } from '../live/talk/talk'
import { talkHeard, talkOpenToAll } from './talk'

const line = (id: string, at: number, more: Partial<Line> = {}): Line => ({
  id,
  participantId: 'ana',
  by: 'Ana',
  text: id,
  at,
  open: false,
  ...more,
})
const state: TalkState = {
  talk: {
    'reeds/1': [line('first', 10), line('late', 20, { open: true })],
    'reeds/2': [line('others', 110)],
    'reeds/3': [line('back', 210), line('mean', 211, { text: '', gone: true, open: true })],
    'reeds-2/1': [line('elsewhere', 12, { open: true })],
  },
  linesTakenOff: { mean: 'mean words' },
  talkOpen: false,
}
const texts = (lines: { text: string }[]) => lines.map(({ text }) => text)

test('of a room where one was in the first and third round one reads those, until one left, and nothing that was taken off', () => {
  const times = { firstAt: 5, leftAt: null, rounds: { 1: 15, 3: null } }
  expect(texts(talkHeard(state, 'reeds', times))).toEqual(['first', 'back'])
  expect(talkHeard(state, 'reeds', { firstAt: 5, leftAt: 6, rounds: {} })).toEqual([])
})

test('facilitators read what was said when they could, also what was taken off, and nothing of a room of another name', () => {
  expect(texts(talkOpenToAll(state, 'reeds'))).toEqual(['late', 'mean words'])
  expect(talkOpenToAll({ ...state, talk: {} }, 'reeds')).toEqual([])
})
