import { useSwitch } from '../../ui/use-kept'

/** Whether what is put up next goes on everybody's page too: as it was the last time. */
export const useOnPages = () => useSwitch('put-up-on-pages', false)
