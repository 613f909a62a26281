# frozen_string_literal: true

require "json"
require "open3"
require "tempfile"

# Reads files that were handed over with somebody else's readers, so that what we write is not only what we can read.
module SecondReader
  PYTHON = "/usr/bin/python3"
  WEB = File.expand_path("../../web", __dir__)

  module_function

  def midi(bytes) = python(bytes, <<~PYTHON)
    import json, sys, mido
    file = mido.MidiFile(sys.argv[1])
    told = {"tempos": [], "meters": [], "markers": [], "tracks": []}
    clock = []
    at = 0
    for message in file.tracks[0]:
        at += message.time
        if message.type == "set_tempo":
            clock.append((at, message.tempo))
            told["tempos"].append({"at": at / file.ticks_per_beat, "bpm": mido.tempo2bpm(message.tempo)})
        if message.type == "time_signature":
            told["meters"].append({"numerator": message.numerator, "denominator": message.denominator, "clocks": message.clocks_per_click})
        if message.type == "marker":
            seconds, last, tempo = 0.0, 0, clock[0][1]
            for place, next_tempo in clock:
                if place >= at: break
                seconds += mido.tick2second(place - last, file.ticks_per_beat, tempo)
                last, tempo = place, next_tempo
            seconds += mido.tick2second(at - last, file.ticks_per_beat, tempo)
            told["markers"].append({"at": at / file.ticks_per_beat, "text": message.text, "seconds": seconds})
    for track in file.tracks[1:]:
        ons = [m for m in track if m.type == "note_on" and m.velocity > 0]
        offs = [m for m in track if m.type == "note_off" or (m.type == "note_on" and m.velocity == 0)]
        told["tracks"].append({"name": track.name, "ons": len(ons), "offs": len(offs), "pitches": [m.note for m in ons]})
    print(json.dumps(told))
  PYTHON

  def csv(text) = python(text, <<~PYTHON)
    import csv, json, sys
    print(json.dumps(list(csv.DictReader(open(sys.argv[1], newline="", encoding="utf-8")))))
  PYTHON

  def zip(bytes) = python(bytes, <<~PYTHON)
    import json, sys, zipfile
    archive = zipfile.ZipFile(sys.argv[1])
    assert archive.testzip() is None
    print(json.dumps(archive.namelist()))
  PYTHON

  def xml_chords(text) = python(text, <<~PYTHON)
    import json, sys, xml.etree.ElementTree as tree
    signs = {-1: "\\u266d", 1: "\\u266f"}
    def name(part, which):
        step = part.findtext(which + "-step")
        return step + signs.get(int(part.findtext(which + "-alter") or 0), "")
    chords = []
    for harmony in tree.parse(sys.argv[1]).iter("harmony"):
        kind = harmony.find("kind")
        bass = harmony.find("bass")
        text = "N.C." if kind.text == "none" else name(harmony.find("root"), "root") + kind.get("text", "")
        chords.append({"kind": kind.text, "text": text + ("/" + name(bass, "bass") if bass is not None else "")})
    print(json.dumps(chords))
  PYTHON

  # An engraver's view of a lead sheet.
  def music_xml(text)
    with(text) { |path| answer(Open3.capture2("node", "scripts/engrave.mjs", path, chdir: WEB)) }
  end

  def python(bytes, script) = with(bytes) { |path| answer(Open3.capture2(PYTHON, "-c", script, path)) }

  def answer((out, status)) = status.success? ? JSON.parse(out.lines.last, symbolize_names: true) : raise("the second reader failed")

  def with(bytes)
    Tempfile.create("handed") do |file|
      file.binmode
      file.write(bytes)
      file.close
      yield file.path
    end
  end
end
