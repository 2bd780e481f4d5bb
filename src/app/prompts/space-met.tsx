import { chakra } from '@chakra-ui/react'
import { type Space, useSpace } from './when-met'

/** A space to answer in, with what stands in its place until its code has come; what is around it does not wait. */
export function SpaceMet<Props extends object>({ space, ...props }: Props & { space: Space<Props> }) {
  const Shown = useSpace(space)
  return Shown ? <Shown {...(props as unknown as Props)} /> : <chakra.p color="quiet">Opening…</chakra.p>
}
