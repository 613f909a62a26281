#!/usr/bin/python3
"""teach.py SECONDS STATE CACHE [--rate R]: for so many seconds of processor time teaches the ear on random crops of the songs
of a cache (see cache.py), changed in tone, level, noise and key; goes on from STATE where it is there. Every tenth song (by
its name) teaches nothing and is measured at the end of each round."""
import argparse
import glob
import os
import random
import time
import zlib

import numpy as np
import torch
from torch.nn import functional as F

import labels
from net import CHOICES, Ear, PITCHES, REGISTERS

CROP, BATCH, RATE = 600, 8, 2e-3
# How much more a frame with an onset weighs than one without, in the order of labels.ONSETS; export.py takes it off again.
ONSET_WEIGHT = torch.tensor([4., 4., 3., 4., 4., 8., 20.])
NOTE_WEIGHT = 3.
SHARES = dict(bass=.15, lead=.1, root=.15, notes=.6, tones=.3, roles=.15)
ROUND = 300
KEYS = ('x', 'onsets', 'known', 'noted', 'bass', 'lead', 'notes', 'root', 'tones', 'roles', 'told')


def load(folder):
    """(songs that teach, songs that are held back)"""
    songs = ([], [])
    for path in sorted(glob.glob(folder + '/*.npz')):
        with np.load(path) as kept:
            held = zlib.crc32(os.path.basename(path).encode()) % 10 == 0
            songs[held].append({key: kept[key] for key in KEYS})
    return songs


def cut(song, at, frames):
    """a stretch of a song; `pad` frames are missing at its end"""
    piece = {key: song[key] for key in ('known', 'noted', 'told')}
    piece['x'] = np.expm1(song['x'][at:at + frames].astype(np.float32))
    for key in ('bass', 'lead', 'root'):
        piece[key] = song[key][at:at + frames].astype(int)
    for key in ('onsets', 'notes', 'tones', 'roles'):
        piece[key] = song[key][:, at:at + frames].astype(np.float32)
    return piece


def toned(x):
    """another curve over frequency, the same for registers and pitches; sometimes a low-pass or a floor of noise"""
    octave = np.concatenate([np.linspace(0, 8.4, REGISTERS), np.linspace(0, 7, PITCHES)])
    gain = np.interp(octave, np.linspace(0, 8.4, 6), np.random.uniform(-8, 8, 6)) + np.random.uniform(-6, 6)
    if random.random() < .1:
        gain -= np.maximum(0, octave - random.uniform(5, 7.5)) * 18
    x = x * 10 ** (gain / 20)
    if random.random() < .3:
        x = x + np.random.uniform(0, .05) * np.abs(np.random.randn(*x.shape))
    return x


def rolled(table, shift):
    """rows moved by so many semitones; what falls out is lost"""
    out = np.zeros_like(table)
    if shift > 0:
        out[shift:] = table[:-shift]
    else:
        out[:shift] = table[-shift:]
    return out


def moved(piece, shift):
    """the piece in another key: what is pitched is, the registers stay"""
    pitches = rolled(piece['x'][:, REGISTERS:].T, shift).T
    piece['x'] = np.concatenate([piece['x'][:, :REGISTERS], pitches], 1)
    for key, (_, count) in (('bass', labels.BASS), ('lead', labels.LEAD)):
        voice = piece[key]
        there = (voice > 0) & (voice + shift >= 1) & (voice + shift <= count)
        piece[key] = np.where(there, voice + shift, 0)
    piece['notes'] = rolled(piece['notes'], shift)
    piece['root'] = np.where((piece['root'] >= 0) & (piece['root'] < 12), (piece['root'] + shift) % 12, piece['root'])
    piece['tones'] = np.roll(piece['tones'], shift, axis=0)
    return piece


def crop(song):
    piece = cut(song, random.randrange(max(1, len(song['x']) - CROP)), CROP)
    piece['x'] = toned(piece['x'])
    shift = random.choice((0, 0, -5, -4, -3, -2, -1, 1, 2, 3, 4, 5))
    if shift:
        piece = moved(piece, shift)
    piece['x'] = np.log1p(piece['x'])
    pad = CROP - len(piece['x'])
    if pad > 0:
        piece['x'] = np.pad(piece['x'], ((0, pad), (0, 0)))
        for key in ('bass', 'lead', 'root'):
            piece[key] = np.pad(piece[key], (0, pad), constant_values=-1 if key == 'root' else 0)
        for key in ('onsets', 'notes', 'tones', 'roles'):
            piece[key] = np.pad(piece[key], ((0, 0), (0, pad)), constant_values=-1 if key == 'tones' else 0)
    return piece


def batch(pieces):
    whole = {key: torch.tensor(np.array([piece[key] for piece in pieces])) for key in KEYS}
    return {key: value.long() if key in CHOICES else value.float() for key, value in whole.items()}


def losses(out, true):
    """loss by head; what the truth of a song does not tell counts nothing"""
    each = F.binary_cross_entropy_with_logits(out['onsets'], true['onsets'], pos_weight=ONSET_WEIGHT[:, None], reduction='none')
    found = dict(onsets=(each * true['known'][:, :, None]).mean())
    for head in ('bass', 'lead'):
        each = F.cross_entropy(out[head], true[head], reduction='none')
        found[head] = (each * true['noted'][:, None]).mean()
    each = F.binary_cross_entropy_with_logits(out['notes'], true['notes'], pos_weight=torch.tensor(NOTE_WEIGHT), reduction='none')
    found['notes'] = (each * true['noted'][:, None, None]).mean()
    there = true['root'] >= 0
    if there.any():
        found['root'] = F.cross_entropy(out['root'].permute(0, 2, 1)[there], true['root'][there])
    there = true['tones'] >= 0
    if there.any():
        found['tones'] = F.binary_cross_entropy_with_logits(out['tones'][there], true['tones'][there])
    each = F.binary_cross_entropy_with_logits(out['roles'], true['roles'], reduction='none')
    found['roles'] = (each * true['told'][:, None, None]).mean()
    return found


def measured(net, songs):
    """mean loss by head over the middles of the songs held back, in the key and tone that they have"""
    net.eval()
    with torch.no_grad():
        pieces = []
        for song in songs:
            piece = cut(song, max(0, len(song['x']) // 2 - CROP), CROP)
            if len(piece['x']) == CROP:
                piece['x'] = np.log1p(piece['x'])
                pieces.append(piece)
        rows = [losses(net(true['x']), true) for true in (batch(pieces[i:i + BATCH]) for i in range(0, len(pieces), BATCH))]
    net.train()
    return {head: round(float(np.mean([row[head] for row in rows if head in row])), 4) for head in losses_named(rows)}


def losses_named(rows):
    return sorted({head for row in rows for head in row})


def main(seconds, state, folder, rate):
    torch.set_num_threads(2)
    songs, held = load(folder)
    print(len(songs), 'songs,', len(held), 'held back', flush=True)
    net = Ear()
    opt = torch.optim.Adam(net.parameters(), rate)
    steps = 0
    if os.path.exists(state):
        kept = torch.load(state)
        net.load_state_dict(kept['net'])
        if 'opt' in kept:
            opt.load_state_dict(kept['opt'])
        steps = kept['steps']
    for seed in (random.seed, np.random.seed, torch.manual_seed):
        seed(steps)
    started, run = time.process_time(), []
    while time.process_time() - started < seconds:
        left = 1 - (time.process_time() - started) / seconds
        for group in opt.param_groups:
            group['lr'] = rate * max(.02, left)
        true = batch([crop(random.choice(songs)) for _ in range(BATCH)])
        by_head = losses(net(true['x']), true)
        value = sum(SHARES.get(head, 1.0) * loss for head, loss in by_head.items())
        opt.zero_grad()
        value.backward()
        torch.nn.utils.clip_grad_norm_(net.parameters(), 3.)
        opt.step()
        steps += 1
        run.append(value.item())
        if steps % ROUND == 0:
            print(steps, round(time.process_time() - started), round(float(np.mean(run[-ROUND:])), 4), measured(net, held), flush=True)
            torch.save(dict(net=net.state_dict(), opt=opt.state_dict(), steps=steps), state)
    torch.save(dict(net=net.state_dict(), opt=opt.state_dict(), steps=steps), state)
    print('taught', steps, 'steps', measured(net, held))


if __name__ == '__main__':
    asked = argparse.ArgumentParser(description=__doc__)
    asked.add_argument('seconds', type=float)
    asked.add_argument('state')
    asked.add_argument('cache')
    asked.add_argument('--rate', type=float, default=RATE)
    asked = asked.parse_args()
    main(asked.seconds, asked.state, asked.cache, asked.rate)
