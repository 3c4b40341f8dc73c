import { mount } from './tea-barrel.paceline.json?module';
import picture from './tea-barrel.paceline.json?url';

const loop = mount(document.querySelector('#loop'));
Object.assign(loop.element.style, { maxWidth: '100%', height: 'auto' });
document.querySelector('#picture').src = picture;

let count = 0;
loop.on('mark', () => (document.querySelector('#count').value = ++count));
document.querySelector('button').addEventListener('click', () => loop.reverse());
