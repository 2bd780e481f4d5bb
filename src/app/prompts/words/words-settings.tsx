import { Box } from '@chakra-ui/react'
import { NumberField } from '../../ui/fields'
import type { SettingsProps } from '../look'

/** How many words each may write. */
const WordsSettings = ({ name, settings, errors }: SettingsProps<'words'>) => (
  <Box w="180px">
    <NumberField
      label="Most words of one person"
      errors={errors.mostEach}
      name={`${name}.mostEach`}
      least={1}
      most={20}
      defaultValue={settings.mostEach}
    />
  </Box>
)

export default WordsSettings
