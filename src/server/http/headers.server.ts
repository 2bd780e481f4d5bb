import { randomBytes } from 'node:crypto'
import { type RequestHandler, Router } from 'express'
import helmet from 'helmet'

/**
 * What no page asks a device for; and what our own pages alone ask it for, in a call, and only once somebody switches it on. Helmet has
 * no such header (W3C, "Permissions Policy").
 */
const FOR_CALLS = ['camera', 'display-capture', 'microphone']
const NOT_NEEDED = ['accelerometer', 'geolocation', 'gyroscope', 'magnetometer', 'midi', 'payment', 'usb']
const MAY_ASK = [
  ...FOR_CALLS.map(feature => `${feature}=(self)`),
  ...NOT_NEEDED.map(feature => `${feature}=()`),
].join(', ')

/**
 * What a browser is told never to do with our pages. Scripts run, and styles count, only from our own files or with the number
 * that each page has of its own: what somebody wrote is never one. In development the page's tools write scripts into it.
 */
export function safeHeaders({ https, developing }: { https: boolean; developing: boolean }): RequestHandler {
  const router = Router()
  router.use((_request, response, next) => {
    response.locals.nonce = randomBytes(16).toString('base64')
    response.set('Permissions-Policy', MAY_ASK)
    next()
  })
  router.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          ...(!developing && {
            defaultSrc: ["'self'"],
            scriptSrc: ["'self'", (_request, response) => `'nonce-${nonceOf(response)}'`],
            // Places and sizes stand on elements; older browsers know only the first of the three.
            styleSrc: ["'self'", "'unsafe-inline'"],
            styleSrcElem: ["'self'", (_request, response) => `'nonce-${nonceOf(response)}'`],
            styleSrcAttr: ["'unsafe-inline'"],
            imgSrc: ["'self'", 'data:'],
            fontSrc: ["'self'", 'data:'],
          }),
          frameAncestors: ["'none'"],
          objectSrc: ["'none'"],
          baseUri: ["'self'"],
          formAction: ["'self'"],
        },
      },
      referrerPolicy: { policy: 'same-origin' },
      xFrameOptions: { action: 'deny' },
      // Only HTTPS makes these mean anything; elsewhere browsers complain of them.
      strictTransportSecurity: https,
      crossOriginOpenerPolicy: https,
      originAgentCluster: https,
    }),
  )
  return router
}

/** The number by which the scripts of this page, and no others, may run. */
export const nonceOf = (response: object): string =>
  String((response as { locals?: { nonce?: string } }).locals?.nonce ?? '')
