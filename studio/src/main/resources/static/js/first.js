// The page that is shown while there is no collection: a release is brought here as on the page of collections.
import {setUpAnswers} from './page/answers.js';
import {followProgress} from './page/progress.js';
import {setUpTheme} from './page/theme.js';

setUpTheme();
setUpAnswers();
document.body.addEventListener('htmx:afterSettle', () => followProgress(document.body));
document.addEventListener('comet:fresh', () => document.querySelector('#arrival a')?.focus());
