import { chakra } from '@chakra-ui/react'

/** Nothing can be written under it. */
const HiddenTextAnswer = () => <chakra.p color="quiet">This was only to be read.</chakra.p>

export default HiddenTextAnswer
