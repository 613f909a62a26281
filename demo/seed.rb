# frozen_string_literal: true

# Fills an empty data directory with the demo study: six songs, analysed here and now, what a listener added, and a
# checklist in progress.
require_relative "../config/boot"
require "fileutils"

home = File.expand_path(ARGV.fetch(0))
exit if File.exist?(File.join(home, "ethoscope.sqlite3"))

# Filled beside its place and moved, the database last: a run that is cut off starts over.
partial = "#{home}.part"
FileUtils.rm_rf(partial)
library = Store::Library.new(partial)
puts "Analysing the six demo songs; this takes about half a minute, once."
study = library.studies.create(title: "Low Water", aim: "style", target_bpm: 73.0, target_tonic: "G", target_mode: "minor")
songs = %w[marsh_telephone nine_buckets_down wet_slate kettle_at_the_lock pilot_light_parish copper_weather].map do |name|
  File.open(File.join(__dir__, "audio", "#{name}.ogg"), "rb") { |file| library.import(study[:id], file, "#{name}.ogg") }
end
bulletin = Jobs::Bulletin.new
dispatcher = Jobs::Dispatcher.new(library, bulletin).start
run_of = ->(song) { library.analyses.latest(song[:recording_id]) }
edition = bulletin.edition
edition = bulletin.wait(edition, 2) until songs.all? { |song| %w[done failed].include?(run_of.call(song)[:state]) }
dispatcher.stop
failed = songs.reject { |song| run_of.call(song)[:state] == "done" }
abort "Some demo songs could not be analysed: #{failed.map { |song| song[:title] }.join(", ")}" if failed.any?

first = songs.first
readings = library.readings.current(first[:id])
%w[tempo loudness].each { |aspect| library.readings.mark(readings[aspect][:id], "confirmed") }
cells = Array.new(32) { |bar| { 4..11 => 1, 12..15 => 3, 16..23 => 2, 24..31 => 3 }.find { |bars, _| bars.cover?(bar) }&.last || 0 }
library.readings.note(first[:id], aspect: "layer", value: { name: "echo", cells: }, statement: "echo", source: "heard")
library.readings.note(first[:id], aspect: "technique", value: { name: "Snare thrown into echo" }, statement: "Snare thrown into echo",
  source: "heard", note: "Dotted, three repeats, the last one dull.", first_bar: 11, last_bar: 12)

target = Ethoscope::Harmony::Key.named("G", "minor")
checklist = Api::Planning.new(library, study, target).create(from: "reference", reference_id: first[:id], school: "sounds")
checklist[:items].first(5).each { |item| library.checklists.update_item(item[:id], state: "done") }
library.checklists.update_item(checklist[:items][5][:id], state: "skipped", note: "Close enough with the reed organ at hand.")

library.db.disconnect
FileUtils.mkdir_p(home)
Dir.children(partial).sort_by { |name| name.start_with?("ethoscope") ? 1 : 0 }.each { |name| FileUtils.mv(File.join(partial, name), home) }
FileUtils.rm_rf(partial)
