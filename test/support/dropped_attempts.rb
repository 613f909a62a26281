# frozen_string_literal: true

require_relative "application"

# A study with one reference and its checklist, and attempts that are dropped on it.
module DroppedAttempts
  include Application

  def setup
    super
    @study = new_study(aim: "exact")
    @reference = upload(@study[:id], sound(1), "reference.wav")[:reference]
    finish(@reference[:recording_id], DrawnSong.new.analysis)
    @list = send_json(:post, "/api/studies/#{@study[:id]}/checklists", { from: "reference", reference_id: @reference[:id] })[:checklist]
  end

  # The fixture's sound with one byte of its own.
  def sound(mark) = File.binread(Fixture.wav).tap { |bytes| bytes.setbyte(2000, mark) }

  def drop(bytes = sound(2), name = "bounce 1.wav", **asked)
    send_bytes("/api/studies/#{@study[:id]}/attempts?#{URI.encode_www_form(asked)}", bytes, name)
    as_declared
  end

  # An attempt whose analysis is that of a drawn song.
  def attempt(song, mark: 2, **asked)
    made = drop(sound(mark), "bounce #{mark}.wav", **asked)[:attempt]
    finish(library.references.find(made[:song_id])[:recording_id], song.analysis)
    made
  end

  def page(made) = get_json("/api/attempts/#{made[:id]}")

  def rows = get_json("/api/studies/#{@study[:id]}/attempts")[:attempts]
end
