// before the first paint: the theme chosen last
document.documentElement.dataset.theme = localStorage.getItem('gantline.theme') === 'light' ? 'light' : 'dark'
