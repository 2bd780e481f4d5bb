import { z } from 'zod'
import { type Drawn, drawnAnswers, readDrawn } from '../drawing/answer'
import { kindOf } from '../kind'

export interface SketchAnswer extends Drawn {
  kind: 'sketch'
}

const settings = z.object({})

/** An empty ground to draw on together. */
export const sketch = kindOf<'sketch', typeof settings, SketchAnswer>({
  name: 'sketch',
  settings,
  paper: () => [{ is: 'ground' }],
  ...drawnAnswers,
  read: (doc, { id }): SketchAnswer => ({ kind: 'sketch', ...readDrawn(doc, id) }),
  restore: ({ id }, pieces): SketchAnswer => ({ kind: 'sketch', ...drawnAnswers.restored(id, pieces) }),
})
