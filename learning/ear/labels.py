#!/usr/bin/python3
"""What is true of each frame of a song, from its truth (NAME.json) and its notes (NAME.mid), see ../generator."""
import json
import os

import mido
import numpy as np

RATE = 22050 / 512
# A frame is the mean of two short ones, so its middle lies this much of one late.
LATE = .25
STRUCK = ('kick', 'snare', 'hats')
ONSETS = STRUCK + ('bass', 'beat', 'downbeat', 'boundary')
ROLES = ('kick', 'snare', 'hats', 'percussion', 'bass', 'chords', 'pad', 'lead', 'strings', 'brass', 'vocal')
# Which pitches a bass, a tune and any note may have: the lowest MIDI number, and how many.
BASS, LEAD, NOTES = (24, 49), (48, 60), (21, 84)
# What starts within so many seconds is one stroke.
MERGE = .03
BY_NAME = {'clap': 'snare', 'ride': 'hats', 'crash': 'hats', 'sub': 'bass'}
NATURAL = {'C': 0, 'D': 2, 'E': 4, 'F': 5, 'G': 7, 'A': 9, 'B': 11}
TONES = {'maj': (0, 4, 7), 'min': (0, 3, 7), 'dim': (0, 3, 6), 'aug': (0, 4, 8), 'sus4': (0, 5, 7), 'sus2': (0, 2, 7),
         '5': (0, 7), 'maj7': (0, 4, 7, 11), 'min7': (0, 3, 7, 10), '7': (0, 4, 7, 10), 'maj6': (0, 4, 7, 9),
         'min6': (0, 3, 7, 9), 'hdim7': (0, 3, 6, 10), 'dim7': (0, 3, 6, 9), 'minmaj7': (0, 3, 7, 11),
         'maj9': (0, 4, 7, 11, 2), 'min9': (0, 3, 7, 10, 2), '9': (0, 4, 7, 10, 2), '7sus4': (0, 5, 7, 10),
         'sus4(b7)': (0, 5, 7, 10)}


def pitch_class(name):
    return (NATURAL[name[0]] + name.count('#') - name.count('b')) % 12


def chord(label):
    """(root, or None for no chord; its pitch classes, or None where the kind is none of TONES)"""
    if label in ('N', 'X', ''):
        return None, ()
    root, _, rest = label.partition(':')
    root = pitch_class(root.partition('/')[0])
    tones = TONES.get(rest.partition('/')[0] or 'maj')
    return root, tones and tuple((root + tone) % 12 for tone in tones)


class Clock:
    """Seconds of the file's ticks: by its own tempo where the truth tells where it starts, else laid on the beats."""

    def __init__(self, midi, truth):
        self.ticks, self.offset = midi.ticks_per_beat, truth.get('midi_offset')
        self.beats = np.asarray(truth.get('beats') or [0, 1], float)
        self.unit = {'6/8': 1.5, '12/8': 1.5, '7/8': .5}.get(truth.get('meter'), 1.0)
        points = [(0, 500000)]
        for track in midi.tracks:
            at = 0
            for message in track:
                at += message.time
                if message.type == 'set_tempo':
                    points.append((at, message.tempo))
        points.sort(key=lambda point: point[0])
        self.at, self.tempo = np.array([p[0] for p in points]), np.array([p[1] for p in points]) / 1e6 / self.ticks
        self.seconds = np.concatenate([[0], np.cumsum(np.diff(self.at) * self.tempo[:-1])])

    def __call__(self, tick):
        if self.offset is None:
            place = tick / self.ticks / self.unit
            i = min(max(int(place), 0), len(self.beats) - 2)
            return self.beats[i] + (place - i) * (self.beats[i + 1] - self.beats[i])
        i = int(np.searchsorted(self.at, tick, 'right')) - 1
        return self.seconds[i] + (tick - self.at[i]) * self.tempo[i] + self.offset


def notes(folder, name, truth):
    """role -> [(start, end, pitch)], in order; tracks are known by the layers' parts, else by their names"""
    midi = mido.MidiFile(os.path.join(folder, name + '.mid'))
    clock, of_part = Clock(midi, truth), {}
    for layer in truth.get('layers', []):
        if layer.get('part'):
            of_part.update({layer['part']: layer['role'], layer['part'].rsplit('.', 1)[0]: layer['role']})
    found = {}
    for track in midi.tracks:
        named = next((message.name for message in track if message.type == 'track_name'), '')
        plain = named.split('.')[0]
        role = of_part.get(named) or BY_NAME.get(plain, plain)
        at, open_ = 0, {}
        for message in track:
            at += message.time
            if message.type not in ('note_on', 'note_off'):
                continue
            if message.note in open_:
                found.setdefault(role, []).append((clock(open_.pop(message.note)), clock(at), message.note))
            if message.type == 'note_on' and message.velocity:
                open_[message.note] = at
    return {role: sorted(list_) for role, list_ in found.items()}


def marks(frames, times):
    row = np.zeros(frames, np.float32)
    last = -1.0
    for time in sorted(times):
        if time - last <= MERGE:
            continue
        last = time
        at = int(round(time * RATE - LATE))
        for beside, share in ((-1, .4), (0, 1.0), (1, .4)):
            if 0 <= at + beside < frames:
                row[at + beside] = max(row[at + beside], share)
    return row


def frame(time):
    return max(0, int(round(time * RATE)))


def spans(frames, stretches):
    row = np.zeros(frames, np.float32)
    for start, end in stretches:
        row[frame(start):frame(end)] = 1
    return row


def voice(frames, list_, among, highest):
    """the pitch of one voice by frame, 0 for none, from 1; of several at once the lowest or the highest"""
    lowest, count = among
    row = np.zeros(frames, np.int16)
    for start, end, pitch in sorted(list_, key=lambda note: note[2], reverse=not highest):
        if 0 <= pitch - lowest < count:
            row[frame(start):max(frame(end), frame(start) + 2)] = pitch - lowest + 1
    return row


def sounding(frames, played):
    lowest, count = NOTES
    table = np.zeros((count, frames), np.float16)
    for role, list_ in played.items():
        if role in STRUCK + ('percussion', 'fx'):
            continue
        for start, end, pitch in list_:
            if 0 <= pitch - lowest < count:
                table[pitch - lowest, frame(start):max(frame(end), frame(start) + 2)] = 1
    return table


def harmony(frames, truth):
    root, tones = np.full(frames, -1, np.int16), np.full((12, frames), -1, np.float16)
    for span in truth.get('chords') or []:
        at = slice(frame(span['start']), frame(span['end']))
        own, members = chord(span['label'])
        root[at] = 12 if own is None else own
        if members is not None:
            tones[:, at] = 0
            tones[list(members), at] = 1
    return root, tones


def of(folder, name, frames):
    """arrays by name; `known` tells which rows of `onsets`, `noted` whether notes, `told` whether roles are in the truth"""
    truth = json.load(open(os.path.join(folder, name + '.json')))
    noted = os.path.exists(os.path.join(folder, name + '.mid'))
    played = notes(folder, name, truth) if noted else {}
    times = {role: [note[0] for note in played.get(role, [])] for role in STRUCK + ('bass',)}
    times.update(beat=truth.get('beats') or [], downbeat=truth.get('downbeats') or [],
                 boundary=[section['start'] for section in truth.get('sections') or []])
    known = [noted] * 4 + [bool(times[kind]) for kind in ('beat', 'downbeat', 'boundary')]
    root, tones = harmony(frames, truth)
    layers = [layer for layer in truth.get('layers') or [] if layer.get('spans')]
    roles = [spans(frames, [span for layer in layers if layer['role'] == role for span in layer['spans']]) for role in ROLES]
    return dict(onsets=np.stack([marks(frames, times[kind]) for kind in ONSETS]), known=np.array(known), noted=noted,
                bass=voice(frames, played.get('bass', []), BASS, False), lead=voice(frames, played.get('lead', []) + played.get('vocal', []), LEAD, True),
                notes=sounding(frames, played), root=root, tones=tones, roles=np.stack(roles), told=bool(layers))
