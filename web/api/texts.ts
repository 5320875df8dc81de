/** All texts of this part of the interface, to be read, and translated, in one go. */
export const TEXTS = {
  hevrelsServerDoesNotAnswer:
    'Hevrel’s server does not answer. Your work is kept in this browser, and Hevrel keeps trying.',
  theServerAnsweredWithThe: (status: number): string =>
    `The server answered with the error ${status}. Nothing was changed; try again.`,
  stoppedNothingWasAdded: 'Stopped. Nothing was added.',
  thisCouldNotBeFinished: 'This could not be finished.',
  theArtworkAddressCannotBe: (address: string, status: number): string =>
    `The artwork ${address} cannot be fetched (${status}).`,
};
