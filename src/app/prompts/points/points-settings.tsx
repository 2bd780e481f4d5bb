import { Box, Flex, Stack } from '@chakra-ui/react'
import { hasThings } from '~/core/boards/prompts/points/things'
import { Choice, Field, NumberField, Select } from '../../ui/fields'
import type { SettingsProps } from '../look'

/** To which cards or lines points are given, by whom, and how many. */
export default function PointsSettings({ name, settings, errors, earlier }: SettingsProps<'points'>) {
  const before = earlier.filter(hasThings)
  const known = before.some(({ id }) => id === settings.over)
  return (
    <Stack gap="8px">
      <Flex gap="12px" wrap="wrap">
        <Box flex="1" minW="220px">
          <Field label="Points go to the cards or lines of" errors={errors.over}>
            {parts => (
              <Select
                {...parts}
                key={before.length}
                name={`${name}.over`}
                defaultValue={known ? settings.over : (before.at(-1)?.id ?? '')}
              >
                {before.length === 0 && (
                  <option value="">no prompt for cards or list stands before this one</option>
                )}
                {before.map(({ id, text, place }) => (
                  <option key={id} value={id}>
                    {place}. {text || 'a prompt without words yet'}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        </Box>
        <Box w="110px">
          <NumberField
            label="Points"
            errors={errors.points}
            name={`${name}.points`}
            least={1}
            most={100}
            defaultValue={settings.points}
          />
        </Box>
      </Flex>
      <Flex as="fieldset" gap="6px 16px" wrap="wrap" aria-label="Who gives points">
        <Choice name={`${name}.by`} value="each" defaultChecked={settings.by === 'each'}>
          Each has so many to give
        </Choice>
        <Choice name={`${name}.by`} value="group" defaultChecked={settings.by === 'group'}>
          The group shares out so many
        </Choice>
      </Flex>
    </Stack>
  )
}
