/** Under which the choice of figures is held. */
export const FIGURES = ['figures'];
