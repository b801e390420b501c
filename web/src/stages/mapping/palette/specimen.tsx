import { Box, Flex, Text } from '@chakra-ui/react'
import { type Role, roleFor } from '@undo-ink/core'
import type { CSSProperties } from 'react'

interface SpecimenProps {
  /** As the scheme has them. */
  readonly roles: readonly Role[]
  /** How a color is painted for whoever looks. */
  paint(color: string): string
  /** null: nothing can be changed. */
  readonly onChoose: ((role: Role) => void) | null
}

/** A piece of a page painted with the palette, on which a role is chosen to be changed in place. Roles are known by the jobs that they do. */
export function Specimen({ roles, paint, onChoose }: SpecimenProps) {
  const role = (...names: readonly string[]) => names.flatMap((name) => roleFor(name, roles) ?? [])[0] ?? null
  const [ground, text, primary] = [role('ground'), role('text'), role('primary')]
  if (!ground || !text || !primary)
    return (
      <Text p="4" fontSize="13px" color="soft">
        A specimen is painted when there are roles for primary, ground and text: called so, or with words that say it.
      </Text>
    )
  const color = (of: Role | null, other: Role) => paint((of ?? other).color)
  const onPrimary = role('text on primary')
  const [soft, softText, line, link] = [role('soft ground'), role('soft text'), role('line'), role('link')]
  const part = (of: Role | null, words: string, style: CSSProperties) => (
    <Part role={of} words={words} style={style} onChoose={onChoose} />
  )
  const button = (state: string, of: Role | null) =>
    part(of ?? primary, state, {
      background: color(of, primary),
      color: onPrimary ? paint(onPrimary.color) : paint(ground.color),
      padding: '6px 12px',
      borderRadius: 3,
    })
  const linked = (state: string, of: Role | null) =>
    part(of ?? link, state, { color: color(of ?? link, text), textDecoration: 'underline' })
  const edge = `1px solid ${color(line, text)}`
  return (
    <Box className="specimen" m="3" p="4" style={{ background: paint(ground.color), border: edge }} fontSize="14px">
      {part(text, 'Winter sailings', { color: paint(text.color), fontSize: 20, fontWeight: 600 })}
      <Flex mt="1" gap="1" wrap="wrap">
        {part(text, 'Boats leave at seven.', { color: paint(text.color) })}
        {part(softText, 'Updated this morning.', { color: color(softText, text) })}
      </Flex>
      <Flex mt="2" gap="3" wrap="wrap">
        {linked('A link', link)}
        {linked('pointed at', role('link hover'))}
        {linked('visited', role('link visited'))}
      </Flex>
      <Flex mt="3" gap="2" wrap="wrap">
        {button('Book', primary)}
        {button('pointed at', role('primary hover', 'primary, dark'))}
        {button('pressed', role('primary pressed'))}
        {part(role('accent'), 'accent', {
          background: color(role('accent'), primary),
          color: color(role('text on accent'), text),
          padding: '6px 12px',
          borderRadius: 3,
        })}
      </Flex>
      <Box
        mt="3"
        p="2.5"
        style={{ background: color(soft, ground), borderLeft: `4px solid ${color(role('warning', 'notice'), text)}` }}
      >
        {part(role('warning', 'notice'), 'Strong wind on Friday', { color: color(role('warning', 'notice'), text) })}
      </Box>
      <Box mt="3" style={{ border: edge }}>
        {['Adults', 'Children'].map((who, i) => (
          <Flex
            key={who}
            px="2"
            py="1"
            justify="space-between"
            style={i === 0 ? { borderBottom: edge, background: color(soft, ground) } : {}}
          >
            {part(text, who, { color: paint(text.color) })}
            {part(line ?? text, i === 0 ? '12' : '6', { color: paint(text.color) })}
          </Flex>
        ))}
      </Box>
    </Box>
  )
}

interface PartProps {
  /** null: no role paints it. */
  readonly role: Role | null
  readonly words: string
  readonly style: CSSProperties
  readonly onChoose: SpecimenProps['onChoose']
}

function Part({ role, words, style, onChoose }: PartProps) {
  const canChange = role !== null && onChoose !== null
  return (
    <button
      type="button"
      aria-label={role ? `${words}: change ${role.name}` : words}
      title={role?.name}
      disabled={!canChange}
      onClick={() => canChange && onChoose(role)}
      style={{ cursor: canChange ? 'pointer' : 'default', textAlign: 'left', ...style }}
    >
      {words}
    </button>
  )
}
