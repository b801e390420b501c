import { Flex } from '@chakra-ui/react'
import type { Decision, Role } from '@undo-ink/core'
import { Choice } from '../../../components/choice.tsx'
import { CodeInput } from '../../../components/code-input.tsx'

/** How see-through places are written. */
export type SeeThrough =
  | { readonly kind: 'as-each-is' }
  /** Percent as typed. */
  | { readonly kind: 'percent'; readonly typed: string }
  /** As they show on a role. */
  | { readonly kind: 'solid'; readonly role: string }

export const AS_EACH_IS: SeeThrough = { kind: 'as-each-is' }

/** What a decision holds of it; a percentage that is none counts as nothing said. */
export function seeThroughOf(value: SeeThrough): Pick<Decision, 'alpha' | 'over'> {
  if (value.kind === 'solid') return { over: { role: value.role } }
  const percent = value.kind === 'percent' ? percentOf(value.typed) : null
  return percent === null ? {} : { alpha: percent / 100 }
}

function percentOf(typed: string): number | null {
  const percent = Number(typed.trim().replace(/\s*%$/, '').replace(',', '.'))
  return typed.trim() !== '' && percent >= 0 && percent <= 100 ? percent : null
}

interface SeeThroughChoiceProps {
  readonly roles: readonly Role[]
  readonly value: SeeThrough
  onChoose(value: SeeThrough): void
}

export function SeeThroughChoice({ roles, value, onChoose }: SeeThroughChoiceProps) {
  const isWrong = value.kind === 'percent' && percentOf(value.typed) === null
  return (
    <Flex align="center" gap="2">
      <Choice
        label="written"
        value={value.kind === 'solid' ? `on ${value.role}` : value.kind}
        options={[
          ['as-each-is', 'keep how see-through each is'],
          ['percent', 'with another alpha'],
          ...roles.map(({ id, name }) => [`on ${id}`, `solid, as it shows on ${name}`] as const),
        ]}
        onChoose={(chosen) =>
          onChoose(
            chosen === 'percent'
              ? { kind: 'percent', typed: '50' }
              : chosen.startsWith('on ')
                ? { kind: 'solid', role: chosen.slice(3) }
                : AS_EACH_IS,
          )
        }
      />
      {value.kind === 'percent' ? (
        <Flex align="center" gap="1" fontSize="13px">
          <CodeInput
            aria-label="Alpha in percent"
            aria-invalid={isWrong}
            value={value.typed}
            onChange={(event) => onChoose({ kind: 'percent', typed: event.target.value })}
            w="56px"
            inputMode="decimal"
          />
          %{isWrong ? <b> ▲ 0 to 100</b> : null}
        </Flex>
      ) : null}
    </Flex>
  )
}
