import { filing } from './filing';
import { serve } from './serve';

serve(filing);
