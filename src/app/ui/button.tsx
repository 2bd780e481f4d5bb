import { chakra } from '@chakra-ui/react'
import { Link } from 'react-router'

const look = {
  base: {
    display: 'inline-flex',
    alignItems: 'center',
    justifyContent: 'center',
    gap: '8px',
    borderRadius: '6px',
    borderWidth: '1px',
    fontWeight: '600',
    lineHeight: '1.2',
    cursor: 'pointer',
    textDecoration: 'none',
    whiteSpace: 'nowrap',
    flexShrink: '0',
    _disabled: { opacity: '0.55', cursor: 'not-allowed' },
  },
  variants: {
    kind: {
      plain: { bg: 'panel', color: 'ink', borderColor: 'edge', _hover: { bg: 'sunk' } },
      main: { bg: 'live', color: 'onLive', borderColor: 'live', _hover: { filter: 'brightness(1.12)' } },
      ask: { bg: 'ask', color: 'onAsk', borderColor: 'ask', _hover: { filter: 'brightness(1.12)' } },
      stop: { bg: 'panel', color: 'stop', borderColor: 'stop', _hover: { bg: 'sunk' } },
      bare: { bg: 'transparent', color: 'live', borderColor: 'transparent', _hover: { bg: 'sunk' } },
    },
    size: {
      small: { minH: '30px', px: '10px', fontSize: 's' },
      normal: { minH: '38px', px: '14px', fontSize: 'm' },
      large: { minH: '48px', px: '20px', fontSize: 'l' },
    },
  },
  defaultVariants: { kind: 'plain', size: 'normal' },
} as const

/** A button; its words are a verb. Not submitting unless `type="submit"`. */
export const Button = chakra('button', look, { defaultProps: { type: 'button' } })

/** A link that looks like a button, for going somewhere. */
export const ButtonLink = chakra(Link, look)
