/** All that draws with the chart library, behind one door: loaded when the first chart is wanted, and once. */
export { IceChart } from './IceChart';
export { OutingChart } from './OutingChart';
