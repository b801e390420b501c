import { describe, expect, it } from 'vitest'
import { read } from '../../../test/places.ts'
import { statesOf } from '../../selector/state.ts'

const behaviors = (text: string, path = 'a.js') =>
  read(path, text).behaviors.map((each) =>
    each.kind === 'class'
      ? `${each.trigger} ${each.element} ${each.change} .${each.className} at ${each.threshold}`
      : `${each.trigger} ${each.element} ${each.property} at ${each.threshold}: ${each.below} to ${each.above}`,
  )

describe('what a script does while the page scrolls', () => {
  it.each<[string, string[]]>([
    [
      "var h = document.getElementById('top'); window.addEventListener('scroll', function () { if (window.scrollY > 80) { h.style.backgroundColor = '#111' } else { h.style.backgroundColor = '#fff' } })",
      ['scroll #top background-color at 80: #fff to #111'],
    ],
    [
      "const LIMIT = 120; function check() { const past = window.pageYOffset >= LIMIT; document.querySelector('.nav').classList.toggle('stuck', past) } window.onscroll = check",
      ['scroll .nav add .stuck at 120'],
    ],
    [
      "$(window).scroll(function () { if ($(this).scrollTop() < 50) $('.nav').removeClass('dark'); else $('.nav').addClass('dark') })",
      ['scroll .nav add .dark at 50'],
    ],
    [
      "addEventListener; window.addEventListener('scroll', () => { b.style.color = window.scrollY > 40 ? 'white' : 'black'; requestAnimationFrame(() => { if (200 < scrollY) c.classList.remove('top') }) })",
      ['scroll b color at 40: black to white', 'scroll c remove .top at 200'],
    ],
    [
      "document.addEventListener('scroll', function () { if (document.documentElement.scrollTop > el.offsetTop) { document.body.style.background = '#abc' } })",
      ['scroll body background at null: null to #abc'],
    ],
    [
      "new IntersectionObserver(function (entries) { entries.forEach(function (e) { if (e.isIntersecting) h.classList.remove('stuck'); else h.classList.add('stuck') }) })",
      ['scroll h add .stuck at null'],
    ],
  ])('%s', (text, expected) => expect(behaviors(text)).toEqual(expected))

  it('two thresholds of one element stay two', () => {
    const text =
      "window.onscroll = function () { if (scrollY > 90) h.style.background = '#000'; else h.style.background = '#fff'; if (scrollY > 140) h.style.color = '#fff'; else h.style.color = '#111' }"
    expect(behaviors(text)).toEqual(['scroll h background at 90: #fff to #000', 'scroll h color at 140: #111 to #fff'])
    // What is painted past a threshold is painted while stuck.
    expect(read('a.js', text).occurrences.map(({ raw, signals }) => [raw, statesOf(signals)[0]])).toEqual([
      ['#000', 'stuck'],
      ['#fff', undefined],
      ['#fff', 'stuck'],
      ['#111', undefined],
    ])
  })
})

describe('what a script does when a visitor acts', () => {
  it.each<[string, string[]]>([
    [
      "b.addEventListener('click', function () { document.body.classList.toggle('open') })",
      ['click body toggle .open at null'],
    ],
    [
      "b.onclick = () => { if (m.hidden) m.classList.add('is-open'); else m.classList.remove('is-open') }",
      ['click m toggle .is-open at null'],
    ],
    [
      "b.onmouseover = function () { this.style.color = 'red' }; b.onmouseout = function () { this.style.color = '' }",
      ['hover b color at null:  to red'],
    ],
    [
      "$('.a').hover(function () { $(this).addClass('on') }, function () { $(this).removeClass('on') })",
      ['hover .a add .on at null'],
    ],
    ["f(); function f() { b.style.color = 'red' }", []],
  ])('%s', (text, expected) => expect(behaviors(text)).toEqual(expected))

  it('handlers in attributes included', () => {
    expect(
      behaviors(`<a id="x" onmouseover="this.style.color='#f60'" onmouseout="this.style.color='#333'">`, 'a.html'),
    ).toEqual(['hover a#x color at null: #333 to #f60'])
    expect(behaviors(`<a id="x" onmouseover="this.style.color='#f60'">`, 'a.html')).toEqual([
      'hover a#x color at null: null to #f60',
    ])
  })

  it('calls that call each other come to an end', () => {
    expect(behaviors("function a() { b(); x.style.color = 'red' } function b() { a() } window.onscroll = a")).toEqual([
      'scroll x color at null: null to red',
    ])
  })
})
