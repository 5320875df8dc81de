/** How colours between inks come about: as the eye sees them (OKLab), as shares of each, or as the nearest one. */
export type Mixing = 'eye' | 'shares' | 'nearest';
