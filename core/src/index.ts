/** What other workspaces may ask of the core. */
export { type Cluster, clusterCounts, clustersAt, TOLERANCES } from './cluster/clusters.ts'
export { familyOf } from './cluster/family.ts'
export { LARGEST_TOLERANCE, type Linkage, link } from './cluster/linkage.ts'
export { append, countBy, groupBy } from './collect.ts'
export { type Color, inSrgbGamut, type OpaqueKey, opaqueKey, toHex } from './color/color.ts'
export { contrast } from './color/contrast.ts'
export { deltaE2000, type Lab, labOf } from './color/difference.ts'
export { isOfFamily } from './color/family-name.ts'
export { NOTATIONS, type Notation, parseColor } from './color/literal.ts'
export { perceive } from './color/perceived.ts'
export { seenBy, VISIONS, type Vision } from './color/vision.ts'
export { FACETS, type Facet, type FacetValue } from './ledger/facets.ts'
export { FIELDS, type LedgerPlace } from './ledger/fields.ts'
export { type Column, type Ledger, ledgerOf, listAt, listsIn, placeAt } from './ledger/ledger.ts'
export { packLedger, unpackLedger } from './ledger/pack.ts'
export { isNearlyColor, readQuery } from './ledger/query.ts'
export { distancesTo, labsOf } from './ledger/search.ts'
export {
  EVERYTHING,
  GROUPINGS,
  type Grouping,
  type Groups,
  type IndexedLedger,
  indexLedger,
  type LedgerView,
  type Viewed,
  viewLedger,
  withStandings,
  withWords,
} from './ledger/view.ts'
export { joinWords, NO_WORDS, runsOf, type Words } from './ledger/words.ts'
export { addressOf, pathAt } from './pages/address.ts'
export {
  type Apart,
  type ApartReading,
  type PackedApart,
  packApart,
  readingsApart,
  variablesApart,
} from './pages/audit-parts.ts'
export { listPages, type Page, type PageSheet, type UnusedFile } from './pages/pages.ts'
export { quietPage, quietSheet } from './pages/quiet.ts'
export { type AddressResolver, resolverOf, servedPaths } from './pages/resolve.ts'
export {
  assembleSite,
  type FileAbout,
  type FileOutline,
  type LeftOutSheet,
  outlineOf,
  type SitePages,
} from './pages/site.ts'
export { wordsOf } from './pages/words.ts'
export { paletteChanges, type RoleChange, type RolePart } from './palette/changes.ts'
export { missingRoles } from './palette/complete.ts'
export { type Dominant, dominantColors } from './palette/dominant.ts'
export { PALETTE_FILES, type PaletteFile, readPalette } from './palette/formats/formats.ts'
export type { Offer, Offered, Refusal, Remark } from './palette/formats/offer.ts'
export { writeSheet } from './palette/formats/sheet.ts'
export { isJobOpen, JOBS, jobOf, roleFor } from './palette/jobs.ts'
export { HUE_RELATIONS, madeColor, settled } from './palette/made.ts'
export { nearestRole } from './palette/nearest.ts'
export { type Observation, observeColors, together } from './palette/observation.ts'
export { type OwnJob, ownJobOf } from './palette/own-job.ts'
export { type Legibility, legibilities, nearestReadable, nearRoles, RATIOS } from './palette/readability.ts'
export { inSrgb, type Made, type Role, readRoleColor, SERVES, type Serves, sameRoleName } from './palette/role.ts'
export { rolesIn, SCHEMES, type Scheme, withValue } from './palette/scheme.ts'
export { groundsOf, servesOf } from './palette/serves.ts'
export { PROPOSED_STATES, proposeState } from './palette/states.ts'
export { type Suggestion, suggester } from './palette/suggest.ts'
export type { Reason } from './palette/suggested-use.ts'
export { type Used, usedColors } from './palette/used.ts'
export { type Collision, collisions } from './plan/collisions.ts'
export type { Confirmation, ConfirmedPlace } from './plan/confirmation.ts'
export type { Correction } from './plan/correction.ts'
export {
  type Becoming,
  canBecomeGradient,
  canInherit,
  type Decision,
  type Ground,
  isStop,
  type Scope,
  type Target,
} from './plan/decision.ts'
export { type EventFacts, type EventProblemCode, eventProblem, filesNamed } from './plan/event-problem.ts'
export { followed } from './plan/follow.ts'
export {
  type Act,
  foldPlan,
  type PlanEvent,
  PlanFold,
  type PlanStart,
  type PlanState,
  type Point,
} from './plan/history.ts'
export {
  INSERTED_PROPERTIES,
  type InsertedProperty,
  type Insertion,
  isInsertedSelector,
  takesRules,
} from './plan/insertion.ts'
export { meetings } from './plan/meetings.ts'
export { isRewritten, type Outcome, paintOf, type Reached, type Resolver, resolver } from './plan/outcome.ts'
export { resolveLedger } from './plan/outcomes.ts'
export { type RulePart, reacher, type ScopePage, type Unwritable } from './plan/reach.ts'
export { decidedIn, type Standing, standingOf } from './plan/standing.ts'
export { canTurn, turnedScheme, turningLead } from './plan/turned.ts'
export { isWidth, widthsOf } from './plan/width.ts'
export { correctedBy } from './rewrite/corrections.ts'
export { insertedRule } from './rewrite/insertions.ts'
export { rewriteLiteral } from './rewrite/notation.ts'
export { bytesAfter, type Change, rewriteFile, touches, type WritablePlan } from './rewrite/rewrite-file.ts'
export type { Unwritten, WhyUnwritten } from './rewrite/unwritten.ts'
export { partsOfCompound } from './selector/compound.ts'
export { limitedTo } from './selector/limit.ts'
export { parseSelectorList } from './selector/parse.ts'
export { isRegion, regionsAround } from './selector/region.ts'
export { readSelectors, splitList } from './selector/selector.ts'
export { type Signal, STATES, type State, statesOf } from './selector/state.ts'
export type { Behavior, Trigger } from './source/behavior.ts'
export { classify, FILE_CHOICES, type FileChoice, NOT_READ, type NotRead, unread } from './source/classify.ts'
export { copyText, isLitter } from './source/copy.ts'
export {
  isOfVariable,
  type LinkedVariables,
  linkedVariables,
  linkPlace,
  linkTriple,
  linkVariables,
} from './source/link-variables.ts'
export {
  type ChannelTriple,
  CONFIDENCES,
  type Computed,
  type Confidence,
  type Definition,
  EVIDENCES,
  type Evidence,
  type Inner,
  type Keyword,
  type Occurrence,
  OF_RULE,
  type PlacedFinding,
  type Reading,
  type Reference,
  type Remedy,
  USES,
  type Use,
} from './source/occurrence.ts'
export type { PackedColumn, PackedPlaces, PackedTable } from './source/pack-places.ts'
export { packReading, unpackReading } from './source/pack-reading.ts'
export { generatedFrom, NO_CLAIMS, THIRD_PARTY, type ThirdParty, thirdPartyPath } from './source/provenance.ts'
export { READERS, READING_VERSION, readSource } from './source/read.ts'
export { SYNTAXES, type Syntax, syntaxOf } from './source/syntax.ts'
export { type End, type EndsOf, follower } from './source/through.ts'
export { type VariableFacts, variableFacts, variableKey } from './source/variable-facts.ts'
export { carryingVariables, type FileReading, listVariables, type Variable } from './source/variables.ts'
export { decodeName, likelyNameEncoding, NAME_ENCODINGS, type NameEncoding } from './text/archive-names.ts'
export { csvLines, csvOf, csvPieces } from './text/csv.ts'
export { applyEdits, fileEdits } from './text/edit.ts'
export { countFindings, FINDING_CODES, type FindingCode } from './text/finding.ts'
export type { Range } from './text/range.ts'
export { decode, ENCODINGS, type Encoding, encode, type SourceText } from './text/source-text.ts'
