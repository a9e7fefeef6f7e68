export const ACTIONS = { return: 'return', land: 'land', hover: 'hover', 'cut-motors': 'stop the motors' };
