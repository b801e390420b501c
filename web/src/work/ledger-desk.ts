import {
  type Cluster,
  EVERYTHING,
  type LedgerView,
  type Observation,
  type OpaqueKey,
  type Role,
  type Suggestion,
  type Viewed,
} from '@undo-ink/core'

/** What the worker that keeps the ledger is told and asked. */
export type LedgerAsk =
  | {
      readonly kind: 'open'
      readonly bytes: Uint8Array
      readonly thirdParty: ReadonlySet<string>
      readonly generated: ReadonlySet<string>
    }
  | { readonly kind: 'standings'; readonly standings: Uint8Array }
  | { readonly kind: 'words'; readonly bytes: Uint8Array }
  | { readonly kind: 'view'; readonly id: number; readonly view: LedgerView }
  | { readonly kind: 'export'; readonly view: LedgerView; readonly format: ExportFormat }
  | { readonly kind: 'apart'; readonly bytes: Uint8Array }
  | { readonly kind: 'observe' }
  | ({ readonly kind: 'suggest' } & SuggestionQuestion)

/** What each of some clusters could become in a palette. */
export interface SuggestionQuestion {
  readonly roles: readonly Role[]
  /** Most used first. */
  readonly clusters: readonly Pick<Cluster, 'lead' | 'members'>[]
}

/** By the lead of a cluster. */
export type Suggestions = ReadonlyMap<OpaqueKey, readonly Suggestion[]>

export type ExportFormat = 'csv' | 'json'

export type LedgerAnswer =
  | { readonly kind: 'viewed'; readonly id: number; readonly viewed: Viewed }
  | { readonly kind: 'exported'; readonly file: Blob }
  | { readonly kind: 'observed'; readonly seen: SeenColors }
  | { readonly kind: 'suggested'; readonly suggestions: Suggestions }

/** What is seen of each color of a site. */
export type SeenColors = ReadonlyMap<OpaqueKey, Observation>

interface SuggestionAsking {
  readonly question: SuggestionQuestion
  readonly onSuggested: (suggestions: Suggestions) => void
}

/** Asks the worker that keeps the ledger. Only the latest question is answered: one that comes while another is worked on waits for it, and gives way to the next. */
export class LedgerDesk {
  private readonly worker: Worker
  private asked = 0
  private isBusy = false
  private asking: LedgerView = EVERYTHING
  private known: { readonly view: LedgerView; readonly viewed: Viewed } | null = null
  private waiting: LedgerView | null = null
  private readonly apart: Uint8Array
  private readonly loadWords: () => Promise<Uint8Array>
  private hasWords = false
  private onExported: (file: Blob) => void = () => {}
  private onViewed: (viewed: Viewed) => void = () => {}
  private onObserved: (seen: SeenColors) => void = () => {}
  private observed: Promise<SeenColors> | null = null
  private hasApart = false
  private suggesting: SuggestionAsking | null = null
  private suggestingNext: SuggestionAsking | null = null

  /**
   * @param loadWords gives what the pages show, as it came; asked for when a text is sought for the first time
   * @param onStopped told when the worker answers no more
   */
  constructor(
    bytes: Uint8Array,
    apart: Uint8Array,
    files: { thirdParty: ReadonlySet<string>; generated: ReadonlySet<string> },
    loadWords: () => Promise<Uint8Array>,
    onStopped: (message: string) => void = () => {},
  ) {
    this.apart = apart
    this.loadWords = loadWords
    this.worker = new Worker(new URL('./ledger.worker.ts', import.meta.url), { type: 'module' })
    this.worker.onmessage = ({ data }: MessageEvent<LedgerAnswer>) => this.take(data)
    this.worker.onerror = ({ message }) => onStopped(message)
    this.tell({ kind: 'open', bytes, ...files })
  }

  /** What becomes of each place now. The view that was asked last, or everything, is answered anew: what is most likely asked first is there before it is. */
  standings(standings: Uint8Array): void {
    this.tell({ kind: 'standings', standings })
    this.askAnew()
  }

  /** The answer to a view that was the last to be asked; null: it was another. */
  recall(view: LedgerView): Viewed | null {
    return this.known && JSON.stringify(this.known.view) === JSON.stringify(view) ? this.known.viewed : null
  }

  view(view: LedgerView, onViewed: (viewed: Viewed) => void): void {
    this.onViewed = onViewed
    if (view.text !== '' && !this.hasWords) void this.fetchWords()
    if (this.isBusy) this.waiting = view
    else this.ask(view)
  }

  /** The places of a view as a file. */
  export(view: LedgerView, format: ExportFormat): Promise<Blob> {
    this.tell({ kind: 'export', view, format })
    return new Promise((resolve) => {
      this.onExported = resolve
    })
  }

  /** Worked out once, when it is asked for. */
  seenColors(): Promise<SeenColors> {
    this.observed ??= new Promise((resolve) => {
      this.onObserved = resolve
      this.tellApart()
      this.tell({ kind: 'observe' })
    })
    return this.observed
  }

  /** Of questions that come while one is worked on only the last is answered: while the tolerance is dragged, what is suggested follows. */
  suggest(question: SuggestionQuestion, onSuggested: (suggestions: Suggestions) => void): void {
    const asking = { question, onSuggested }
    if (this.suggesting) this.suggestingNext = asking
    else this.askSuggestions(asking)
  }

  close(): void {
    this.worker.terminate()
  }

  /** Without an answer the text is sought in the sources alone, and the next one asks again. */
  private async fetchWords(): Promise<void> {
    this.hasWords = true
    try {
      this.tell({ kind: 'words', bytes: await this.loadWords() })
      this.askAnew()
    } catch {
      this.hasWords = false
    }
  }

  /** What is known beside the places is given to the worker when it is needed first. */
  private tellApart(): void {
    if (!this.hasApart) this.tell({ kind: 'apart', bytes: this.apart })
    this.hasApart = true
  }

  private askSuggestions(asking: SuggestionAsking | null): void {
    this.suggesting = asking
    this.suggestingNext = null
    if (!asking) return
    this.tellApart()
    this.tell({ kind: 'suggest', ...asking.question })
  }

  private askAnew(): void {
    this.known = null
    if (this.isBusy) this.waiting ??= this.asking
    else this.ask(this.asking)
  }

  private ask(view: LedgerView): void {
    this.isBusy = true
    this.asking = view
    this.asked++
    this.tell({ kind: 'view', id: this.asked, view })
  }

  private take(answer: LedgerAnswer): void {
    if (answer.kind === 'exported') {
      this.onExported(answer.file)
      return
    }
    if (answer.kind === 'observed') {
      this.onObserved(answer.seen)
      return
    }
    if (answer.kind === 'suggested') {
      const { suggesting } = this
      this.askSuggestions(this.suggestingNext)
      suggesting?.onSuggested(answer.suggestions)
      return
    }
    const { id, viewed } = answer
    if (id !== this.asked) return
    this.isBusy = false
    this.known = { view: this.asking, viewed }
    const next = this.waiting
    this.waiting = null
    // Shown even when another waits: while something is dragged, what is on screen follows.
    this.onViewed(viewed)
    if (next) this.ask(next)
  }

  private tell(ask: LedgerAsk): void {
    this.worker.postMessage(ask)
  }
}
