import type { Choice, Job, Problem, SkipReason } from '@undo-ink/contracts'
import type {
  Encoding,
  FileAbout,
  FileChoice,
  Made,
  NameEncoding,
  OpaqueKey,
  PlanEvent,
  Serves,
  Syntax,
  ThirdParty,
} from '@undo-ink/core'
import {
  type CreationOptional,
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  Model,
  type ModelAttributes,
  type ModelStatic,
  type Sequelize,
} from 'sequelize'

/** How far a plan was, in places, when that was counted last. */
export interface CountedProgress {
  readonly decided: number
  readonly possible: number
  /** Of which events of the plan and which audit: where these are others, it is counted anew. */
  readonly of: string
}

class Row<M extends Model> extends Model<InferAttributes<M>, InferCreationAttributes<M>> {}

export class ClientRow extends Row<ClientRow> {
  declare id: string
  declare name: string
  /** null: it is not. */
  declare deletedAt: CreationOptional<Date | null>
}

export class PaletteRow extends Row<PaletteRow> {
  declare id: string
  declare clientId: string
}

export class PaletteVersionRow extends Row<PaletteVersionRow> {
  declare paletteId: string
  declare version: number
  declare createdAt: Date
}

export class RoleRow extends Row<RoleRow> {
  declare paletteId: string
  declare version: number
  declare id: string
  declare position: number
  declare name: string
  declare color: string
  /** In other schemes; null: the same, or as its base has one. */
  declare dark: string | null
  declare print: string | null
  declare description: string | null
  /** null: what its name says. */
  declare serves: Serves | null
  /** Ids of the grounds that it stands on; null: every one. */
  declare onRoles: readonly string[] | null
  /** null: a color of its own. */
  declare made: Made | null
}

export class SiteRow extends Row<SiteRow> {
  declare id: string
  declare clientId: string
  declare name: string
  declare createdAt: Date
  /** null: it is not. */
  declare deletedAt: CreationOptional<Date | null>
}

export class SnapshotRow extends Row<SnapshotRow> {
  declare id: string
  declare siteId: string
  declare receivedAt: Date
  /** Equal for copies of the same files, byte for byte. */
  declare digest: string
  /** As which names of its archive were read that were not in UTF-8; null: there were none. */
  declare nameEncoding: CreationOptional<NameEncoding | null>
}

export class BlobRow extends Row<BlobRow> {
  declare sha256: string
  declare bytes: Buffer
}

export class FileRow extends Row<FileRow> {
  declare id: string
  declare snapshotId: string
  declare path: string
  /** BIGINT comes back as text. */
  declare size: number | string
  declare sha256: string | null
  declare syntax: Syntax
  declare encoding: Encoding | null
  declare skipped: SkipReason | null
  declare thirdParty: CreationOptional<ThirdParty | null>
  declare choice: CreationOptional<FileChoice | null>
  /** Its name as it came, where that was not in UTF-8. */
  declare rawName: CreationOptional<Buffer | null>
}

export class AuditRow extends Row<AuditRow> {
  declare snapshotId: string
  /** Places in all, and those that are only possibly colors. */
  declare places: number
  declare possible: number
  /** The most used colors, at most eight. */
  declare lead: readonly OpaqueKey[]
  /** Of the readers that made it. */
  declare readingVersion: number
  /** All places as `packLedger` has them, in gzip. */
  declare ledger: Buffer
  /** What is listed apart from the places, as JSON in gzip. */
  declare apart: Buffer
  /** The pages as scopes ask for them, as JSON in gzip. */
  declare pages: Buffer
  /** What the pages show, as JSON in gzip; null: made before there were any. */
  declare words: Buffer | null
}

/** What was read from some bytes at some path: copies that hold the same file share it. */
export class ReadingRow extends Row<ReadingRow> {
  declare sha256: string
  declare path: string
  /** The choice that was made for the file; empty: none. */
  declare choice: FileChoice | ''
  declare readingVersion: number
  /** As the file tells by itself. */
  declare about: FileAbout
  declare places: number
  /** The reading as JSON in gzip; null: not read. */
  declare body: Buffer | null
}

/** The places of one file, as `packLedger` has them, in gzip. */
export class OccurrencesRow extends Row<OccurrencesRow> {
  declare fileId: string
  declare snapshotId: string
  declare places: number
  declare body: Buffer
}

/**
 * What a job is given: an upload, or the choice with which the files of the site's copy are read.
 * `names`: how names of an archive are read that say no encoding; left out: as they make most sense.
 */
export type JobPayload =
  | { readonly kind: 'zip' | 'files'; readonly names?: NameEncoding | undefined }
  | { readonly kind: 'read'; readonly choice: Choice | null }

export class JobRow extends Row<JobRow> {
  declare id: string
  declare kind: Job['kind']
  declare siteId: string
  declare payload: JobPayload
  declare state: Job['state']
  declare filesDone: CreationOptional<number>
  declare pagesDone: CreationOptional<number>
  declare pagesTotal: CreationOptional<number | null>
  declare filesTotal: CreationOptional<number | null>
  declare places: CreationOptional<number>
  declare problem: CreationOptional<Problem | null>
  declare createdAt: Date
}

export class JobFileRow extends Row<JobFileRow> {
  declare jobId: string
  declare seq: CreationOptional<number>
  declare path: string
  declare places: number | null
}

export class UploadFileRow extends Row<UploadFileRow> {
  declare jobId: string
  declare position: number
  declare name: string
  /** BIGINT comes back as text. */
  declare size: number | string
}

export class UploadChunkRow extends Row<UploadChunkRow> {
  declare jobId: string
  declare position: number
  declare seq: number
  declare bytes: Buffer
}

export class PlanRow extends Row<PlanRow> {
  declare id: string
  declare snapshotId: string
  declare paletteId: string
  declare startTolerance: number
  declare startPaletteVersion: number
  declare standing: CreationOptional<CountedProgress | null>
}

export class PlanEventRow extends Row<PlanEventRow> {
  declare planId: string
  declare seq: number
  declare id: string
  declare at: Date
  declare event: PlanEvent
}

export class VisitorNameRow extends Row<VisitorNameRow> {
  declare token: string
  declare snapshotId: string
  declare planId: CreationOptional<string | null>
}

/** A view of the ledger that is kept under a name. */
export class ViewRow extends Row<ViewRow> {
  declare id: string
  declare siteId: string
  declare name: string
  declare query: string
}

export class LoadedDemoRow extends Row<LoadedDemoRow> {
  declare name: string
}

const uuid = () => ({ type: DataTypes.UUID, allowNull: false })
const text = () => ({ type: DataTypes.TEXT, allowNull: false })
const integer = () => ({ type: DataTypes.INTEGER, allowNull: false })
const json = () => ({ type: DataTypes.JSONB, allowNull: false })
const bytes = () => ({ type: DataTypes.BLOB, allowNull: false })
const date = () => ({ type: DataTypes.DATE, allowNull: false })
const key = <T extends object>(column: T) => ({ ...column, primaryKey: true })
const nullable = <T extends object>(column: T) => ({ ...column, allowNull: true })

/** Binds the models to a connection. The schema itself is the migrations'. */
export function initModels(sequelize: Sequelize): void {
  const define = <M extends Model>(model: ModelStatic<M>, tableName: string, attributes: object) =>
    model.init(attributes as ModelAttributes<M>, { sequelize, tableName, timestamps: false, underscored: true })

  define(ClientRow, 'clients', { id: key(uuid()), name: text(), deletedAt: nullable(date()) })
  define(PaletteRow, 'palettes', { id: key(uuid()), clientId: uuid() })
  define(PaletteVersionRow, 'palette_versions', {
    paletteId: key(uuid()),
    version: key(integer()),
    createdAt: date(),
  })
  define(RoleRow, 'roles', {
    paletteId: key(uuid()),
    version: key(integer()),
    id: key(text()),
    position: integer(),
    name: text(),
    color: text(),
    dark: nullable(text()),
    print: nullable(text()),
    description: nullable(text()),
    serves: nullable(text()),
    onRoles: nullable(json()),
    made: nullable(json()),
  })
  define(SiteRow, 'sites', {
    id: key(uuid()),
    clientId: uuid(),
    name: text(),
    createdAt: date(),
    deletedAt: nullable(date()),
  })
  define(SnapshotRow, 'snapshots', {
    id: key(uuid()),
    siteId: uuid(),
    receivedAt: date(),
    digest: text(),
    nameEncoding: nullable(text()),
  })
  define(BlobRow, 'blobs', { sha256: key(text()), bytes: bytes() })
  define(FileRow, 'files', {
    id: key(uuid()),
    snapshotId: uuid(),
    path: text(),
    size: { type: DataTypes.BIGINT, allowNull: false },
    sha256: nullable(text()),
    syntax: text(),
    encoding: nullable(text()),
    skipped: nullable(text()),
    thirdParty: nullable(text()),
    choice: nullable(text()),
    rawName: nullable(bytes()),
  })
  define(AuditRow, 'audits', {
    snapshotId: key(uuid()),
    places: integer(),
    possible: integer(),
    lead: json(),
    readingVersion: integer(),
    ledger: bytes(),
    apart: bytes(),
    pages: bytes(),
    words: nullable(bytes()),
  })
  define(ReadingRow, 'readings', {
    sha256: key(text()),
    path: key(text()),
    choice: key(text()),
    readingVersion: integer(),
    about: json(),
    places: integer(),
    body: nullable(bytes()),
  })
  define(OccurrencesRow, 'occurrences', {
    fileId: key(uuid()),
    snapshotId: uuid(),
    places: integer(),
    body: bytes(),
  })
  define(JobRow, 'jobs', {
    id: key(uuid()),
    kind: text(),
    siteId: uuid(),
    payload: json(),
    state: text(),
    filesDone: { ...integer(), defaultValue: 0 },
    pagesDone: { ...integer(), defaultValue: 0 },
    pagesTotal: nullable(integer()),
    filesTotal: nullable(integer()),
    places: { ...integer(), defaultValue: 0 },
    problem: nullable(json()),
    createdAt: date(),
  })
  define(JobFileRow, 'job_files', {
    jobId: key(uuid()),
    seq: key({ ...integer(), autoIncrement: true }),
    path: text(),
    places: nullable(integer()),
  })
  define(UploadFileRow, 'upload_files', {
    jobId: key(uuid()),
    position: key(integer()),
    name: text(),
    size: { type: DataTypes.BIGINT, allowNull: false },
  })
  define(UploadChunkRow, 'upload_chunks', {
    jobId: key(uuid()),
    position: key(integer()),
    seq: key(integer()),
    bytes: bytes(),
  })
  define(PlanRow, 'plans', {
    id: key(uuid()),
    snapshotId: uuid(),
    paletteId: uuid(),
    startTolerance: { type: DataTypes.DOUBLE, allowNull: false },
    startPaletteVersion: integer(),
    standing: nullable(json()),
  })
  define(PlanEventRow, 'plan_events', {
    planId: key(uuid()),
    seq: key(integer()),
    id: uuid(),
    at: date(),
    event: json(),
  })
  define(VisitorNameRow, 'visitor_names', { token: key(text()), snapshotId: uuid(), planId: nullable(uuid()) })
  define(ViewRow, 'views', { id: key(uuid()), siteId: uuid(), name: text(), query: text() })
  define(LoadedDemoRow, 'loaded_demos', { name: key(text()) })
}
