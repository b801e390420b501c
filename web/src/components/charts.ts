import {
  BarController,
  BarElement,
  BubbleController,
  CategoryScale,
  Chart as ChartJs,
  LinearScale,
  PointElement,
  Tooltip,
} from 'chart.js'

ChartJs.register(BarController, BarElement, BubbleController, CategoryScale, LinearScale, PointElement, Tooltip)

// Achromatic axes in the page's own type: the only hues are those of the points.
ChartJs.defaults.font.family = '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif'
ChartJs.defaults.font.size = 12
ChartJs.defaults.color = '#575757'
ChartJs.defaults.borderColor = '#d4d4d4'
ChartJs.defaults.animation = false
ChartJs.defaults.maintainAspectRatio = false

/** The edge of a point or bar, which parts it from the ground and from its neighbours whatever its color. */
export const OUTLINE = '#8a8a8a'

export { Bar, Bubble } from 'react-chartjs-2'
