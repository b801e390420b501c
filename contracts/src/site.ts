import { ENCODINGS, FILE_CHOICES, NAME_ENCODINGS, NOT_READ, SYNTAXES, THIRD_PARTY } from '@undo-ink/core'
import * as z from 'zod'
import { jobSchema } from './job.ts'

export const syntaxSchema = z.enum(SYNTAXES).describe('What a file is, by its name')

export const encodingSchema = z
  .enum(ENCODINGS)
  .describe('How the bytes were read; the byte-order mark belongs to the encoding')

export const skipReasonSchema = z
  .enum([...NOT_READ, 'too-large', 'name-too-long', 'name-unsafe'])
  .describe('Why a file is not read; the last three mean that it is not kept either')
export type SkipReason = z.infer<typeof skipReasonSchema>

export const thirdPartySchema = z.enum(THIRD_PARTY).describe('Why a file is taken for code that others keep up')

export const fileChoiceSchema = z
  .enum(FILE_CHOICES)
  .describe('Read third-party code all the same, or leave a file as it came')

export const choiceSchema = z
  .strictObject({
    files: z.array(z.uuid()).min(1).max(10_000),
    choice: fileChoiceSchema.nullable().describe('null: as it is without a choice'),
  })
  .describe('What is to become of some files of a copy')
export type Choice = z.infer<typeof choiceSchema>

export const fileSchema = z
  .strictObject({
    id: z.uuid(),
    path: z.string().describe('From the root of the site, with `/`'),
    size: z.int().describe('Bytes'),
    sha256: z.string().nullable().describe('Of the bytes as received, in hex; null: not kept'),
    syntax: syntaxSchema,
    encoding: encodingSchema.nullable().describe('null: not read as text'),
    skipped: skipReasonSchema.nullable().describe('null: read'),
    thirdParty: thirdPartySchema.nullable().describe('null: it is not'),
    choice: fileChoiceSchema.nullable().describe('What was chosen for it; null: nothing'),
    generatedFrom: z.string().nullable().describe('Path of the sheet that it was made from'),
  })
  .describe('One file of a snapshot')
export type SiteFile = z.infer<typeof fileSchema>

export const snapshotSchema = z
  .strictObject({
    id: z.uuid(),
    receivedAt: z.iso.datetime(),
    files: z.array(fileSchema).describe('By path'),
    planId: z.uuid(),
    digest: z.string().describe('SHA-256 in hex: equal for copies of the same files, byte for byte'),
    names: z
      .strictObject({ encoding: z.enum(NAME_ENCODINGS), files: z.int() })
      .nullable()
      .describe('As what names of its archive were read that say no encoding, and how many; null: there were none'),
    read: z.boolean().describe("Whether its files are read, by today's readers"),
    sameAs: z
      .array(z.strictObject({ siteId: z.uuid(), name: z.string(), receivedAt: z.iso.datetime() }))
      .describe('Copies of other sites with the same files, byte for byte'),
  })
  .describe('One immutable set of files, as received')
export type Snapshot = z.infer<typeof snapshotSchema>

/** `POST /sites/:id/copy?names=…` */
export const copyQuerySchema = z
  .strictObject({ names: z.enum(NAME_ENCODINGS).optional() })
  .describe('As what names of an archive are read that say no encoding; left out: as they make most sense')

export const newSiteSchema = z
  .strictObject({
    name: z.string().trim().min(1, 'Give the site a name').max(120, 'At most 120 characters').describe('Unique'),
    client: z
      .union([
        z.strictObject({ id: z.uuid() }),
        z.strictObject({
          name: z
            .string()
            .trim()
            .min(1, 'Give the client a name')
            .max(120, 'At most 120 characters')
            .describe('Unique'),
        }),
      ])
      .optional()
      .describe(
        'Whose it is: one who is here, with the palette of the other sites, or a new one. Left out: a new one of that name',
      ),
  })
  .describe('What a new site needs')
export type NewSite = z.infer<typeof newSiteSchema>

export const renamingSchema = z
  .strictObject({
    name: z.string().trim().min(1, 'Give it a name').max(120, 'At most 120 characters').describe('Unique'),
  })
  .describe('Another name for a site or a client')

export const deletedSiteSchema = z
  .strictObject({
    id: z.uuid(),
    name: z.string(),
    client: z.string().describe('Whose it is'),
    deletedAt: z.iso.datetime(),
    goneAt: z.iso.datetime().describe('When it can be brought back no more'),
  })
  .describe('A site that was deleted and can be brought back')
export type DeletedSite = z.infer<typeof deletedSiteSchema>

export const clientSchema = z.strictObject({ id: z.uuid(), name: z.string() }).describe('Whose website it is')
export type Client = z.infer<typeof clientSchema>

export const siteSchema = z
  .strictObject({
    id: z.uuid(),
    name: z.string(),
    client: clientSchema,
    createdAt: z.iso.datetime(),
    snapshot: snapshotSchema.nullable().describe('null: nothing received yet'),
    job: jobSchema.nullable().describe('The latest long work on it, unless that is done'),
  })
  .describe("One client's website")
export type Site = z.infer<typeof siteSchema>

export const siteSummarySchema = z
  .strictObject({
    id: z.uuid(),
    name: z.string(),
    client: clientSchema,
    createdAt: z.iso.datetime(),
    receivedAt: z.iso.datetime().nullable().describe('null: nothing received yet'),
    files: z.int().describe('Files of the copy'),
    places: z.int().describe('Hard-coded colors found'),
    decided: z.int().describe('Places of which the plan says what becomes of them'),
    possible: z.int().describe('Places that are only possibly colors and not confirmed: they stand apart'),
    lead: z.array(z.string()).describe('The most used colors, opaque keys, at most eight'),
    ofClient: z.int().describe('Sites of this client, this one with them'),
  })
  .describe('A site in the list of sites')
export type SiteSummary = z.infer<typeof siteSummarySchema>

/** Sites on one page of the list. */
export const SITES_ON_PAGE = 50

export const siteSearchSchema = z
  .strictObject({
    text: z.string().trim().max(120).default('').describe('Found in names of sites and clients; empty: all'),
    page: z.coerce.number().int().min(1).max(1_000_000).default(1),
  })
  .describe('Which sites are listed')
export type SiteSearch = z.infer<typeof siteSearchSchema>

export const siteListSchema = z
  .strictObject({
    sites: z.array(siteSummarySchema).max(SITES_ON_PAGE).describe('Newest first'),
    found: z.int().describe('Sites that the text finds, on all pages'),
    all: z.int().describe('Sites that are here'),
  })
  .describe('One page of the list of sites')
export type SiteList = z.infer<typeof siteListSchema>

export const listedClientSchema = clientSchema
  .extend({ sites: z.int().describe('Sites of the client') })
  .describe('A client in the list of clients')
export type ListedClient = z.infer<typeof listedClientSchema>
