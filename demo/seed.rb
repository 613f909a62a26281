# frozen_string_literal: true

# Fills an empty data directory with the demo study: six songs, analysed here and now, and a checklist in progress.
require_relative "../config/boot"

home = File.expand_path(ARGV.fetch(0))
library = Store::Library.new(home)
exit if library.studies.all.any?

puts "Analysing the six demo songs; this takes about half a minute, once."
study = library.studies.create(title: "Low Water", aim: "style", target_bpm: 73.0, target_tonic: "G", target_mode: "minor")
%w[marsh_telephone nine_buckets_down wet_slate kettle_at_the_lock pilot_light_parish copper_weather].each do |name|
  File.open(File.join(__dir__, "audio", "#{name}.ogg"), "rb") { |file| library.import(study[:id], file, "#{name}.ogg") }
end
bulletin = Jobs::Bulletin.new
dispatcher = Jobs::Dispatcher.new(library, bulletin).start
edition = bulletin.edition
references = library.references.of_study(study[:id])
edition = bulletin.wait(edition, 2) until references.all? { |reference| %w[done failed].include?(library.analyses.latest(reference[:recording_id])[:state]) }
dispatcher.stop
failed = references.reject { |reference| library.analyses.latest(reference[:recording_id])[:state] == "done" }
abort "Some demo songs could not be analysed: #{failed.map { |reference| reference[:title] }.join(", ")}" if failed.any?

target = Ethoscope::Harmony::Key.named("G", "minor")
checklist = Api::Planning.new(library, study, target).create(from: "reference", reference_id: references.first[:id],
  school: "sounds")
checklist[:items].first(5).each { |item| library.checklists.update_item(item[:id], state: "done") }
library.checklists.update_item(checklist[:items][5][:id], state: "skipped", note: "Close enough with the organ preset at hand.")
readings = library.readings.current(references.first[:id])
%w[tempo loudness].each { |aspect| library.readings.mark(readings[aspect][:id], "confirmed") }
