import { type ComponentType, type FunctionComponent, lazy } from 'react'
import { loadAgain } from '../ui/load-again'

/** A part of a kind's look that is fetched when the kind is first met: a board brings only the code of its own kinds. */
export const whenMet = <Props>(load: () => Promise<{ default: ComponentType<Props> }>) =>
  lazy(() => loadAgain(load)) as unknown as FunctionComponent<Props>
