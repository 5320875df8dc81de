/**
 * A test of a whole object or list. Yup asks it before it looks at the fields, so that what it reads may be missing or of another type:
 * then it passes, since the fields themselves are told of next, in words about them.
 *
 * @param says whether it is as it should be, given that its fields are
 */
export function ofWhole<T>(says: (value: T) => boolean): (value: T) => boolean {
  return (value) => {
    try {
      return says(value);
    } catch (error) {
      if (error instanceof TypeError || error instanceof RangeError) return true;
      throw error;
    }
  };
}
