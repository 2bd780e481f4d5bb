import { Box } from '@chakra-ui/react'
import { Tick } from '../../ui/fields'
import { ChoosePictures } from '../choose-pictures'
import type { SettingsProps } from '../look'

/** Which pictures of the library, and whether the group adds its own. */
export default function PicturesSettings({ name, settings, errors }: SettingsProps<'pictures'>) {
  return (
    <>
      <ChoosePictures
        name={name}
        legend="Pictures, up to four beside each other"
        chosen={settings.pictures}
        errors={errors.pictures}
      />
      <Box mt="8px">
        <Tick name={`${name}.add`} defaultChecked={settings.add}>
          The group adds pictures of its own, from a phone’s camera for instance
        </Tick>
      </Box>
    </>
  )
}
