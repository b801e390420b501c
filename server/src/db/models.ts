import type { SkipReason } from '@undo-ink/contracts'
import type { Encoding, FileChoice, PlanEvent, Reading, Syntax, ThirdParty } from '@undo-ink/core'
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

/** Occurrences by color and use: enough to tell how far a plan is without reading the occurrences. */
export interface Tally {
  readonly color: string
  readonly use: Reading['occurrences'][number]['use']
  readonly count: number
}

class Row<M extends Model> extends Model<InferAttributes<M>, InferCreationAttributes<M>> {}

export class ClientRow extends Row<ClientRow> {
  declare id: string
  declare name: string
}

export class PaletteRow extends Row<PaletteRow> {
  declare id: string
  declare clientId: string
}

export class PaletteVersionRow extends Row<PaletteVersionRow> {
  declare paletteId: string
  declare version: number
}

export class RoleRow extends Row<RoleRow> {
  declare paletteId: string
  declare version: number
  declare id: string
  declare position: number
  declare name: string
  declare color: string
}

export class SiteRow extends Row<SiteRow> {
  declare id: string
  declare clientId: string
  declare name: string
  declare createdAt: Date
}

export class SnapshotRow extends Row<SnapshotRow> {
  declare id: string
  declare siteId: string
  declare receivedAt: Date
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
}

export class AuditRow extends Row<AuditRow> {
  declare snapshotId: string
  declare tallies: readonly Tally[]
  /** Of the readers that made it. */
  declare readingVersion: number
}

export class ReadingRow extends Row<ReadingRow> {
  declare fileId: string
  declare snapshotId: string
  declare body: Reading
}

export class PlanRow extends Row<PlanRow> {
  declare id: string
  declare snapshotId: string
  declare paletteId: string
  declare startTolerance: number
  declare startPaletteVersion: number
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

export class LoadedDemoRow extends Row<LoadedDemoRow> {
  declare name: string
}

const uuid = () => ({ type: DataTypes.UUID, allowNull: false })
const text = () => ({ type: DataTypes.TEXT, allowNull: false })
const integer = () => ({ type: DataTypes.INTEGER, allowNull: false })
const json = () => ({ type: DataTypes.JSONB, allowNull: false })
const date = () => ({ type: DataTypes.DATE, allowNull: false })
const key = <T extends object>(column: T) => ({ ...column, primaryKey: true })
const nullable = <T extends object>(column: T) => ({ ...column, allowNull: true })

/** Binds the models to a connection. The schema itself is the migrations'. */
export function initModels(sequelize: Sequelize): void {
  const define = <M extends Model>(model: ModelStatic<M>, tableName: string, attributes: object) =>
    model.init(attributes as ModelAttributes<M>, { sequelize, tableName, timestamps: false, underscored: true })

  define(ClientRow, 'clients', { id: key(uuid()), name: text() })
  define(PaletteRow, 'palettes', { id: key(uuid()), clientId: uuid() })
  define(PaletteVersionRow, 'palette_versions', { paletteId: key(uuid()), version: key(integer()) })
  define(RoleRow, 'roles', {
    paletteId: key(uuid()),
    version: key(integer()),
    id: key(text()),
    position: integer(),
    name: text(),
    color: text(),
  })
  define(SiteRow, 'sites', { id: key(uuid()), clientId: uuid(), name: text(), createdAt: date() })
  define(SnapshotRow, 'snapshots', { id: key(uuid()), siteId: uuid(), receivedAt: date() })
  define(BlobRow, 'blobs', { sha256: key(text()), bytes: { type: DataTypes.BLOB, allowNull: false } })
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
  })
  define(AuditRow, 'audits', { snapshotId: key(uuid()), tallies: json(), readingVersion: integer() })
  define(ReadingRow, 'readings', { fileId: key(uuid()), snapshotId: uuid(), body: json() })
  define(PlanRow, 'plans', {
    id: key(uuid()),
    snapshotId: uuid(),
    paletteId: uuid(),
    startTolerance: { type: DataTypes.DOUBLE, allowNull: false },
    startPaletteVersion: integer(),
  })
  define(PlanEventRow, 'plan_events', {
    planId: key(uuid()),
    seq: key(integer()),
    id: uuid(),
    at: date(),
    event: json(),
  })
  define(VisitorNameRow, 'visitor_names', { token: key(text()), snapshotId: uuid(), planId: nullable(uuid()) })
  define(LoadedDemoRow, 'loaded_demos', { name: key(text()) })
}
