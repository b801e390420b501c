import { Flex, Text } from '@chakra-ui/react'
import {
  INSERTED_PROPERTIES,
  type InsertedProperty,
  insertedRule,
  isInsertedSelector,
  listsIn,
  readSelectors,
  splitList,
  takesRules,
} from '@undo-ink/core'
import { memo, useMemo, useState } from 'react'
import { ActButton } from '../../components/act-button.tsx'
import { Choice } from '../../components/choice.tsx'
import { CodeInput } from '../../components/code-input.tsx'
import { Dialog } from '../../components/dialog.tsx'
import { Note } from '../../components/note.tsx'
import { Swatch } from '../../components/swatch.tsx'
import { TextField } from '../../components/text-field.tsx'
import { count, shownPath } from '../../components/words.ts'
import { useSeen } from '../../judging/use-seen.ts'
import { insertionText } from '../../work/decision-words.ts'
import { TakeBackList } from '../../work/take-back-list.tsx'
import { useCopy, usePlan } from '../../work/work.tsx'

/** Gives a role to a subject for which no rule of the site sets a color: a button in the browser's grey, a link in its blue. */
export const InsertDialog = memo(function InsertDialog({ open, onClose }: { open: boolean; onClose(): void }) {
  return (
    <Dialog title="A colour where no rule sets one" open={open} width="820px" onClose={onClose}>
      <Inserting />
    </Dialog>
  )
})

/** Subjects that browsers paint by themselves. */
const USUAL = ['a', 'a:visited', 'a:hover', 'button', 'input', 'select', 'textarea', 'hr', 'mark', 'fieldset']

function Inserting() {
  const { places, sitePages, findings, snapshot } = useCopy()
  const { roles, resolver, store } = usePlan()
  const [selector, setSelector] = useState('a:visited')
  const [property, setProperty] = useState<InsertedProperty>('color')
  const [roleId, setRoleId] = useState(roles[0]?.id ?? '')
  const sheets = useMemo(() => {
    const placesIn = (path: string) => places.inFile(path).length
    const loadedBy = (path: string) => sitePages.pages.filter(({ files }) => files.includes(path)).length
    return snapshot.files
      .filter(({ path, skipped }) => skipped === null && takesRules(path))
      .map(({ path }) => ({ path, pages: loadedBy(path) }))
      .toSorted((a, b) => b.pages - a.pages || placesIn(b.path) - placesIn(a.path) || (a.path < b.path ? -1 : 1))
  }, [snapshot, sitePages, places])
  const [chosen, setChosen] = useState<string | null>(null)
  const path = chosen ?? sheets[0]?.path ?? ''
  const isSelector = isInsertedSelector(selector)
  const setAlready = useMemo(() => {
    const wanted = new Set(readSelectors(selector.trim())?.map(({ subject }) => subject))
    const family = property.split('-')[0] ?? property
    const ofWanted = places.ofSubjects(
      sheets.map((each) => each.path),
      wanted,
    )
    return [...ofWanted.values()].flat().filter((place) => place.property.replace(/^-\w+-/, '').startsWith(family))
  }, [places, sheets, selector, property])
  const isOpen = findings.some((each) => each.path === path && each.code.startsWith('unclosed'))
  const hasLayers = listsIn(places.ledger, 'atRules').some((rules) => rules.some((rule) => /^@layer\b/i.test(rule)))
  const insertion = { path, selector: selector.trim(), property, to: { role: roleId } }
  const seen = useSeen(true)
  const isAbsent = isSelector && seen?.isWhole === true && splitList(selector).every((each) => seen.on(each, []) === 0)
  const rule = isSelector ? insertedRule(insertion, resolver) : null
  const role = roles.find(({ id }) => id === roleId)
  const add = () => store.act({ kind: 'insert', insertions: [{ ...insertion, id: crypto.randomUUID() }] })
  return (
    <Flex direction="column" gap="3" fontSize="13px">
      <Text>
        The rule is added at the end of a sheet, without any strength of its own: it wins over the browser and over what
        is inherited, and over no rule of the site.
      </Text>
      <Flex gap="3" wrap="wrap" align="flex-end">
        <TextField
          label="Selector"
          width="220px"
          problem={isSelector ? undefined : 'A list of selectors, without pseudo-elements'}
        >
          <CodeInput value={selector} onChange={(event) => setSelector(event.target.value)} list="usual-subjects" />
          <datalist id="usual-subjects">
            {USUAL.map((each) => (
              <option key={each} value={each} />
            ))}
          </datalist>
        </TextField>
        <Choice
          label="Property"
          value={property}
          options={INSERTED_PROPERTIES.map((each) => [each, each] as const)}
          onChoose={(value) => setProperty(value as InsertedProperty)}
        />
        <Flex gap="2" align="center">
          <Choice label="Role" value={roleId} options={roles.map(({ id, name }) => [id, name])} onChoose={setRoleId} />
          {role ? <Swatch color={role.color} size="26px" /> : null}
        </Flex>
      </Flex>
      <Choice
        label="Sheet"
        value={path}
        options={sheets.map((each) => [each.path, `${shownPath(each.path)} (on ${count(each.pages, 'page')})`])}
        onChoose={setChosen}
      />
      {setAlready.length > 0 ? (
        <Note shape="◆" title={`${count(setAlready.length, 'place sets', 'places set')} it for this subject already`}>
          They win over this rule wherever they hold: {placesText(setAlready)}.
        </Note>
      ) : null}
      {isAbsent ? (
        <Note shape="▲" title="No page has such an element">
          The rule would do nothing, unless a script adds one.
        </Note>
      ) : null}
      {isOpen ? (
        <Note shape="▲" title="Something in this sheet is never closed">
          A rule behind it would not hold. Choose another sheet.
        </Note>
      ) : null}
      {hasLayers ? (
        <Note shape="▲" title="This site has cascade layers">
          A rule outside of them wins over all that stands in them.
        </Note>
      ) : null}
      <Flex gap="3" align="center" justify="space-between">
        <Text fontFamily="mono" minW="0" truncate aria-live="polite">
          {rule === null ? '' : `${shownPath(path)}, at its end: ${rule}`}
        </Text>
        <ActButton main flex="none" disabled={rule === null || path === '' || isOpen} onClick={add}>
          {isAbsent ? 'Add it all the same' : 'Add the rule'}
        </ActButton>
      </Flex>
      <Inserted />
    </Flex>
  )
}

/** The rules that are added already, each to be taken back by itself. */
function Inserted() {
  const { state, roles } = usePlan()
  if (state.insertions.length === 0) return null
  const made = state.insertions.map((each) => ({ id: each.id, text: insertionText(each, roles) }))
  return (
    <TakeBackList
      made={made}
      aria-label="Rules that are added"
      borderTopWidth="1px"
      pt="2"
      maxH="160px"
      overflow="auto"
    />
  )
}

const MOST_TOLD = 3

function placesText(places: readonly { readonly path: string; readonly line: number }[]): string {
  const told = places.slice(0, MOST_TOLD).map(({ path, line }) => `${shownPath(path)}:${line}`)
  return places.length > MOST_TOLD ? `${told.join(', ')} and ${places.length - MOST_TOLD} more` : told.join(', ')
}
