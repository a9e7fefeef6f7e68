import { form } from '../form';

export const fields = form([]);
