import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import { memo, useCallback, useState } from 'react'
import { Link } from 'react-router'
import { ActButton } from '../components/act-button.tsx'
import { SURROUNDS } from '../components/surround.ts'
import { day } from '../components/words.ts'
import { useUndoKeys } from '../work/use-keys.ts'
import { type Surround, useView } from '../work/view-store.ts'
import { useCopy, usePlan, useSaved } from '../work/work.tsx'
import { HistoryDrawer } from './history-drawer.tsx'
import { KeysDialog } from './keys-dialog.tsx'

/** The mark and name, which lead back to the list of sites. */
export function Mark() {
  return (
    <Link to="/" aria-label="Undo Ink, all sites">
      <Flex align="center" gap="3">
        <img src="/icon.svg" alt="" width="20" height="20" />
        <Text fontWeight="700" fontSize="15px">
          Undo Ink
        </Text>
      </Flex>
    </Link>
  )
}

/** The header before a site's copy is there. */
export function PlainHeader({ title }: { title?: string }) {
  return (
    <HeaderBar>
      <Mark />
      {title ? <Title text={title} /> : null}
    </HeaderBar>
  )
}

function HeaderBar({ children }: { children: React.ReactNode }) {
  return (
    <Flex as="header" align="center" gap="4" minH="48px" px="4" py="1.5" wrap="wrap" bg="sheet" borderBottomWidth="1px">
      {children}
    </Flex>
  )
}

function Title({ text }: { text: string }) {
  return (
    <Text color="soft" borderLeftWidth="1px" pl="4" truncate minW="0">
      {text}
    </Text>
  )
}

export const SiteHeader = memo(function SiteHeader() {
  const { site, snapshot } = useCopy()
  const { state, store } = usePlan()
  const [historyOpen, setHistoryOpen] = useState(false)
  const [keysOpen, setKeysOpen] = useState(false)
  const canUndo = state.done.length > 0
  const canRedo = state.undone.length > 0
  const undo = useCallback(() => canUndo && store.act({ kind: 'undo' }), [canUndo, store])
  const redo = useCallback(() => canRedo && store.act({ kind: 'redo' }), [canRedo, store])
  useUndoKeys(undo, redo)
  return (
    <HeaderBar>
      <Mark />
      <Title text={`${site.name}  ·  copy of ${day(snapshot.receivedAt)}`} />
      <Flex ml="auto" align="center" gap="2" wrap="wrap">
        <Text fontSize="12px" color="soft" minW="64px" textAlign="right" role="status">
          <Saved />
        </Text>
        <ActButton hotkey="Ctrl Z" aria-keyshortcuts="Control+Z" disabled={!canUndo} onClick={undo}>
          Undo
        </ActButton>
        <ActButton hotkey="Ctrl Y" aria-keyshortcuts="Control+Y" disabled={!canRedo} onClick={redo}>
          Redo
        </ActButton>
        <ActButton onClick={() => setHistoryOpen(true)}>History</ActButton>
        <ActButton onClick={() => setKeysOpen(true)}>Keys</ActButton>
        <JudgeOn />
      </Flex>
      <HistoryDrawer open={historyOpen} onClose={() => setHistoryOpen(false)} />
      <KeysDialog open={keysOpen} onClose={() => setKeysOpen(false)} />
    </HeaderBar>
  )
})

/** Swatches look different on white, grey and black: the ground behind them can be chosen. */
const JudgeOn = memo(function JudgeOn() {
  const { surround, judgeOn } = useView()
  return (
    <Flex as="fieldset" align="center" gap="2" ml="2">
      <chakra.legend float="left" fontSize="12px" color="soft">
        Judge on
      </chakra.legend>
      <Flex borderWidth="1px" borderColor="strong" borderRadius="3px" overflow="hidden">
        {(Object.keys(SURROUNDS) as Surround[]).map((name) => (
          <chakra.label key={name} position="relative" cursor="pointer" title={name}>
            <chakra.input
              type="radio"
              name="surround"
              aria-label={name}
              checked={surround === name}
              onChange={() => judgeOn(name)}
              position="absolute"
              inset="0"
              opacity="0"
              cursor="pointer"
              className="peer"
            />
            <Box
              w="26px"
              h="26px"
              style={{ background: SURROUNDS[name] }}
              display="grid"
              placeItems="center"
              fontSize="13px"
              color={name === 'white' ? 'ink' : 'sheet'}
              _peerFocusVisible={{
                outline: '2px solid',
                outlineColor: name === 'black' ? 'sheet' : 'ink',
                outlineOffset: '-4px',
              }}
            >
              {surround === name ? '✓' : ''}
            </Box>
          </chakra.label>
        ))}
      </Flex>
    </Flex>
  )
})

function Saved() {
  return useSaved() ? 'all saved' : 'saving …'
}
