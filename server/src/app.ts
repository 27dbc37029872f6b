/** Puts the server together. */
import path from 'node:path'
import express, { type Express } from 'express'
import helmet from 'helmet'
import { PLANS_DAYS } from './access/role.ts'
import { requireRole } from './access/session.ts'
import { refuseElsewhere } from './access/station.ts'
import { answerErrors, notFound, Problem } from './problem.ts'
import { ROUTES } from './routes/index.ts'
import type { Server } from './routes/route.ts'
import { sessionRouter } from './routes/sessionRoutes.ts'

/** How instruments send: one JSON object a line. */
const JSON_LINES = 'application/x-ndjson'

const isJson = (request: { headers: { 'content-type'?: string | undefined } }): boolean =>
  request.headers['content-type'] !== JSON_LINES
const readJsonBody = express.json({ limit: '1mb', type: isJson })
const readArchiveBody = express.json({ limit: '64mb', type: isJson })

/** @param webFolder the built application, or null to serve the interface alone */
export const buildApp = (server: Server, webFolder: string | null): Express => {
  const app = express()
  app.set('trust proxy', 'loopback')
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: true,
        directives: {
          'default-src': ["'self'"],
          'img-src': ["'self'", 'data:'],
          'style-src': ["'self'", "'unsafe-inline'"],
          'font-src': ["'self'"],
          'upgrade-insecure-requests': null,
        },
      },
    }),
  )
  app.use(
    '/api',
    refuseForeignWrites,
    express.text({ limit: '1mb', type: JSON_LINES }),
    // an archive holds a whole day, so only who may bring one is read to the end
    async (request, response, next) => {
      if (request.path !== '/archives') {
        readJsonBody(request, response, next)
        return
      }
      await requireRole(server.pool, request, PLANS_DAYS)
      readArchiveBody(request, response, next)
    },
  )
  app.use('/api/session', sessionRouter(server))
  for (const { method, path: routePath, roles, handle } of ROUTES) {
    app[method](routePath, async (request, response) => {
      const account = await requireRole(server.pool, request, roles)
      refuseElsewhere(account, method, routePath, request.params)
      await handle({ server, request, response, account })
    })
  }
  app.use('/api', () => {
    throw notFound('address in this interface')
  })
  if (webFolder !== null) serveWeb(app, webFolder)
  app.use(answerErrors(server.log))
  return app
}

/** A page of another site may not write with somebody's session, even where a browser would send the cookie. */
const refuseForeignWrites: express.RequestHandler = (request, _response, next) => {
  const origin = request.get('Origin')
  const foreign = origin !== undefined && URL.canParse(origin) && new URL(origin).host !== request.get('Host')
  if (foreign && request.method !== 'GET')
    throw new Problem(403, 'access.origin', 'This request comes from another site.')
  next()
}

const serveWeb = (app: Express, webFolder: string): void => {
  app.use(
    '/assets',
    express.static(path.join(webFolder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }),
  )
  // the service worker is asked for anew each time, so that a new version is noticed
  app.use(
    express.static(webFolder, { index: false, setHeaders: (response) => response.set('Cache-Control', 'no-cache') }),
  )
  app.get('/{*page}', (_request, response) => {
    response.set('Cache-Control', 'no-cache').sendFile(path.join(webFolder, 'index.html'))
  })
}
