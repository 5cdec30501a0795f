// Light or dark.
const systemDark = matchMedia('(prefers-color-scheme: dark)');

function showTheme(theme) {
  document.documentElement.dataset.bsTheme = theme;
  document.dispatchEvent(new CustomEvent('comet:theme'));
}

/** The system's preference, until somebody chooses here; a choice that agrees with the system follows it again. */
export function turnTheme() {
  const theme = document.documentElement.dataset.bsTheme === 'dark' ? 'light' : 'dark';
  if ((theme === 'dark') === systemDark.matches) {
    localStorage.removeItem('comet-theme');
  } else {
    localStorage.setItem('comet-theme', theme);
  }
  showTheme(theme);
}

/** Takes the theme that was chosen here, or the system's. */
export function setUpTheme() {
  const follow = () => showTheme(localStorage.getItem('comet-theme') ?? (systemDark.matches ? 'dark' : 'light'));
  systemDark.addEventListener('change', follow);
  follow();
}
