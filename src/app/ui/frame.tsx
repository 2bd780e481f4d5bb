import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { CalendarDays, CircleUserRound, ClipboardList, Images, LayoutList, UsersRound } from 'lucide-react'
import type { ReactNode } from 'react'
import { Form, NavLink } from 'react-router'
import { Button } from './button'
import { useOnePress } from './use-one-press'

const PLACES = [
  { to: '/', name: 'Today', icon: CalendarDays },
  { to: '/cohorts', name: 'Cohorts', icon: UsersRound },
  { to: '/boards', name: 'Boards', icon: LayoutList },
  { to: '/material', name: 'Material', icon: Images },
  { to: '/sessions', name: 'Sessions', icon: ClipboardList },
]

const NavItem = chakra(NavLink, {
  base: {
    display: 'flex',
    alignItems: 'center',
    flexDirection: { base: 'column', md: 'row' },
    gap: { base: '2px', md: '10px' },
    px: { base: '10px', md: '12px' },
    py: { base: '5px', md: '8px' },
    fontSize: { base: 's', md: 'inherit' },
    borderRadius: '6px',
    color: 'ink',
    textDecoration: 'none',
    fontWeight: '600',
    _hover: { bg: 'sunk' },
    '&[aria-current=page]': { bg: 'liveWash', color: 'live' },
  },
})

/** The pages' frame for facilitators: the order of the work at the left, the page beside it. */
export function Frame({ displayName, children }: { displayName: string; children: ReactNode }) {
  useOnePress()
  return (
    <Flex minH="100vh" direction={{ base: 'column', md: 'row' }}>
      <chakra.a
        href="#page"
        position="absolute"
        left="-9999px"
        _focus={{ left: '8px', top: '8px', zIndex: 50, bg: 'panel', p: '8px' }}
      >
        Skip to the page
      </chakra.a>
      <Flex
        as="nav"
        aria-label="Main"
        direction={{ base: 'row', md: 'column' }}
        justify="space-between"
        w={{ md: '168px' }}
        flexShrink="0"
        borderRightWidth={{ md: '1px' }}
        borderBottomWidth={{ base: '1px', md: '0' }}
        p={{ base: '4px', md: '12px' }}
        gap={{ base: '0', md: '8px' }}
        position={{ md: 'sticky' }}
        // Painted after the page beside it: under it, every lane would be a layer of its own, put together anew with each change.
        zIndex={{ md: 1 }}
        top="0"
        h={{ md: '100vh' }}
      >
        <Stack gap={{ base: '0', md: '4px' }} direction={{ base: 'row', md: 'column' }}>
          {PLACES.map(({ to, name, icon: Icon }) => (
            <NavItem key={to} to={to} end={to === '/'}>
              <Icon size={18} aria-hidden="true" />
              {name}
            </NavItem>
          ))}
        </Stack>
        <Stack gap="4px" direction={{ base: 'row', md: 'column' }} fontSize="s">
          <NavItem to="/accounts" fontWeight={{ md: '400' }} overflowWrap="anywhere">
            <CircleUserRound size={18} aria-hidden="true" />
            <chakra.span display={{ base: 'none', md: 'inline' }}>{displayName}</chakra.span>
            <chakra.span display={{ base: 'inline', md: 'none' }}>You</chakra.span>
          </NavItem>
          <Box display={{ base: 'none', md: 'block' }}>
            <SignOut />
          </Box>
        </Stack>
      </Flex>
      <Box
        as="main"
        id="page"
        flex="1"
        minW="0"
        px={{ base: '16px', md: '28px' }}
        py={{ base: '10px', md: '20px' }}
      >
        {children}
      </Box>
    </Flex>
  )
}

/** On a phone it stands on the page of accounts, where there is room for it. */
export function SignOut() {
  return (
    <Form method="post" action="/sign-out">
      <Button type="submit" kind="bare" size="small">
        Sign out
      </Button>
    </Form>
  )
}
