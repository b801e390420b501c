/* Opens and closes the menu on small screens. */
(function () {
  var button = document.querySelector('.menu-button')
  var nav = document.getElementById('nav')
  button.addEventListener('click', function () {
    nav.classList.toggle('is-open')
    button.setAttribute('aria-expanded', nav.classList.contains('is-open'))
  })
})()
