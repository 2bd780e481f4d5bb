import { Box } from '@chakra-ui/react'
import { Field, Input } from '../../ui/fields'
import type { SettingsProps } from '../look'

/** How many words each may write. */
const WordsSettings = ({ name, settings, errors }: SettingsProps<'words'>) => (
  <Box w="180px">
    <Field label="Most words of one person" errors={errors.mostEach}>
      {parts => (
        <Input
          {...parts}
          type="number"
          min={1}
          max={20}
          name={`${name}.mostEach`}
          defaultValue={settings.mostEach}
        />
      )}
    </Field>
  </Box>
)

export default WordsSettings
