/** How buttons of the bar are sized: for a glance on a desk, for a thumb on a phone. */
export const BAR = {
  minH: { base: '42px', md: '48px' },
  px: { base: '12px', md: '14px' },
  fontSize: { base: 'm', md: 'l' },
} as const
