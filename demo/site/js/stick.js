/* Makes the header stick after the visitor has scrolled a little. */
(function () {
  var header = document.querySelector('.site-header')
  function check() {
    header.classList.toggle('is-stuck', window.pageYOffset > 120)
  }
  window.addEventListener('scroll', check)
  check()
})()
