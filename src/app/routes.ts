import { index, layout, prefix, type RouteConfig, route } from '@react-router/dev/routes'

export default [
  route('sign-in', 'routes/sign-in.tsx'),
  route('sign-out', 'routes/sign-out.ts'),
  route('first-run', 'routes/first-run.tsx'),
  route('one-time/:token', 'routes/one-time.tsx'),

  // Participants: no account. Everything below asks for the cookie or link that goes with one place in one session.
  route('join/:code?', 'routes/join.tsx'),
  route('join/:code/names', 'routes/join-names.ts'),
  route('s/:sessionId', 'routes/place.tsx'),
  route('s/:sessionId/commands', 'routes/place-commands.ts'),
  route('mine/:reviewToken', 'routes/mine.tsx'),
  route('choose/:code', 'routes/choose.tsx'),
  route('choose/:code/names', 'routes/choose-names.ts'),
  route('choose/:code/places', 'routes/choose-places.ts'),

  // Everything else is behind the sign-in.
  layout('routes/signed-in.tsx', [
    layout('routes/frame.tsx', [
      index('routes/today.tsx'),
      route('cohorts', 'routes/cohorts.tsx'),
      route('cohorts/:cohortId', 'routes/cohort.tsx'),
      route('cohorts/:cohortId/import', 'routes/cohort-import.tsx'),
      route('cohorts/:cohortId/met', 'routes/cohort-met.tsx'),
      route('cohorts/:cohortId/choices/new', 'routes/choice-new.tsx'),
      route('choices/:choiceId', 'routes/choice.tsx'),
      route('cohorts/:cohortId/groupings/new', 'routes/grouping-new.tsx'),
      route('groupings/:groupingId', 'routes/grouping.tsx'),
      route('boards', 'routes/boards.tsx'),
      route('boards/new', 'routes/board-new.tsx'),
      route('boards/:boardId', 'routes/board.tsx'),
      route('boards/:boardId/print', 'routes/board-print.tsx'),
      route('accounts', 'routes/accounts.tsx'),
      ...prefix('sessions', [
        index('routes/sessions.tsx'),
        route('new', 'routes/session-new.tsx'),
        route('start', 'routes/session-start.ts'),
        route(':sessionId', 'routes/session.tsx', [
          index('routes/session-plan.tsx'),
          route('live', 'routes/session-live.tsx'),
          route('review', 'routes/session-review.tsx'),
        ]),
      ]),
    ]),
    route('cohorts/:cohortId/people', 'routes/cohort-people.ts'),
    route('cohorts/:cohortId/columns', 'routes/cohort-columns.ts'),
    route('cohorts/:cohortId/presence', 'routes/cohort-presence.ts'),
    route('cohorts/:cohortId/rules', 'routes/cohort-rules.ts'),
    route('cohorts/:cohortId/list.csv', 'routes/cohort-list-file.ts'),
    route('choices/:choiceId/people', 'routes/choice-people.ts'),
    route('boards/:boardId/changes', 'routes/board-changes.ts'),
    route('boards/:boardId/versions', 'routes/board-versions.ts'),
    route('removals', 'routes/removals.ts'),
    route('list-template.csv', 'routes/list-template.ts'),
    route('sessions/:sessionId/commands', 'routes/session-commands.ts'),
    route('sessions/:sessionId/order', 'routes/session-order.ts'),
    route('sessions/:sessionId/facts', 'routes/session-facts.ts'),
    route('sessions/:sessionId/keep-groups', 'routes/session-keep-groups.ts'),
    route('sessions/:sessionId/projector', 'routes/session-projector.tsx'),
    route('sessions/:sessionId/review/:file', 'routes/session-review-file.ts'),
  ]),
] satisfies RouteConfig
