import { type AsJson, changes, type Sections, wholeView } from './sections.server'

const texts = (parts: Record<string, unknown>) =>
  Object.fromEntries(Object.entries(parts).map(([name, part]) => [name, JSON.parse((part as AsJson).text)]))

const told = (before: Sections, after: Sections) => {
  const message = changes(before, after)
  return message?.kind === 'change'
    ? { sections: texts(message.sections), added: texts(message.added) }
    : null
}

test('nothing is told when nothing changed, however often it was made anew', () => {
  expect(
    told({ clock: { endsAt: 1 }, messages: [{ id: 1 }] }, { clock: { endsAt: 1 }, messages: [{ id: 1 }] }),
  ).toBeNull()
})

test('a section that changed is told whole, the others not', () => {
  expect(told({ clock: null, me: { id: 'a' } }, { clock: { endsAt: 1 }, me: { id: 'a' } })).toEqual({
    sections: { clock: { endsAt: 1 } },
    added: {},
  })
})

test('a list that grew is told by what was added', () => {
  expect(told({ messages: [{ id: 1 }] }, { messages: [{ id: 1 }, { id: 2 }, { id: 3 }] })).toEqual({
    sections: {},
    added: { messages: [{ id: 2 }, { id: 3 }] },
  })
})

test.each([
  ['is another one', [{ id: 1 }, { id: 2 }], [{ id: 7 }]],
  ['lost its end', [{ id: 1 }, { id: 2 }], [{ id: 1 }]],
  ['changed inside', [{ id: 1 }, { id: 2 }], [{ id: 1 }, { id: 3 }, { id: 4 }]],
])('a list that %s is told whole', (_, before, after) => {
  expect(told({ messages: before }, { messages: after })).toEqual({
    sections: { messages: after },
    added: {},
  })
})

test('the whole view is every section', () => {
  const message = wholeView({ clock: null, marks: [], session: { title: 'Ä' } })
  expect(message.kind === 'view' && texts(message.sections)).toEqual({
    clock: null,
    marks: [],
    session: { title: 'Ä' },
  })
})

test('what is not there is told as null: the message stays JSON', () => {
  const gone = { clock: undefined, me: { id: 'a' } }
  expect(told({ clock: { endsAt: 1 }, me: { id: 'a' } }, gone)).toEqual({
    sections: { clock: null },
    added: {},
  })
  const message = wholeView(gone)
  expect(message.kind === 'view' && texts(message.sections)).toEqual({ clock: null, me: { id: 'a' } })
})
