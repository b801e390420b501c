import { defineRecipe } from '@chakra-ui/react'

/** Fields as high as the buttons beside them, with a border that can be seen (WCAG 2.2, 1.4.11). */
export const input = defineRecipe({
  variants: {
    size: { xs: { fontSize: '13px' } },
    variant: { outline: { borderColor: 'strong' } },
  },
  defaultVariants: { size: 'xs', variant: 'outline' },
})
