# frozen_string_literal: true

# Fills an empty data directory with the demo study: six songs, analysed here and now, what a listener added, and a
# checklist in progress.
require_relative "../config/boot"
require "fileutils"

# As the application keeps them: for their owner alone.
File.umask(0o077)
home = File.expand_path(ARGV.fetch(0))
exit if File.exist?(File.join(home, "ethoscope.sqlite3"))

# Filled beside its place and moved, the database last: a run that is cut off starts over.
partial = "#{home}.part"
FileUtils.rm_rf(partial)
library = Store::Library.new(partial)
puts "Analysing the six demo songs, and six stems; this takes about a minute, once."
study = library.studies.create(title: "Low Water", aim: "style", target_bpm: 73.0, target_tonic: "G", target_mode: "minor")
songs = %w[marsh_telephone nine_buckets_down wet_slate kettle_at_the_lock pilot_light_parish copper_weather].map do |name|
  File.open(File.join(__dir__, "audio", "#{name}.ogg"), "rb") { |file| library.import(study[:id], file, "#{name}.ogg") }
end
# What tells of two songs besides their mix.
Dir.glob(File.join(__dir__, "stems", "marsh_telephone", "*.ogg")).each { |path| File.open(path, "rb") { |file| library.import_stem(songs[0], file, File.basename(path)) } }
library.stems.of_reference(songs[0][:id]).each { |stem| library.stems.update(stem[:id], role: "lead") if stem[:name] == "reed" }
library.scores.keep(songs[1][:id], File.binread(File.join(__dir__, "scores", "nine_buckets_down.mid")), "nine_buckets_down.mid")
bulletin = Jobs::Bulletin.new
dispatcher = Jobs::Dispatcher.new(library, bulletin).start
run_of = ->(song) { library.analyses.latest(song[:recording_id]) }
edition = bulletin.edition
edition = bulletin.wait(edition, 2) until songs.all? { |song| %w[done failed].include?(run_of.call(song)[:state]) }
stems = -> { library.stems.of_reference(songs[0][:id]).map { |stem| stem[:state] } }
derived = -> { songs.first(2).all? { |song| library.derivation(song)&.fetch(:state) == "done" } }
library.derive(songs[1])
bulletin.publish
edition = bulletin.wait(edition, 2) until stems.call.all? { |state| %w[done failed].include?(state) } && derived.call
failed = songs.reject { |song| run_of.call(song)[:state] == "done" }
abort "Some demo songs could not be analysed: #{failed.map { |song| song[:title] }.join(", ")}" if failed.any?

# What the listener wrote down.
first, second = songs
readings = library.readings
timeline = library.sheet(first).timeline
place = ->(from, to) { { starts_at: timeline.seconds(from), ends_at: timeline.seconds(to + 1), first_bar: from, last_bar: to } }
write = ->(label, &change) { library.journal.record(first[:id], label, &change) }
%w[tempo loudness].each do |aspect|
  write.call("Confirm #{aspect}") { |taped| taped.mark(readings.current(first[:id])[aspect][:id], "confirmed") }
end
spans = [[5, 12, 1], [13, 16, 3], [17, 24, 1], [25, 32, 3]].map { |from, to, level| [timeline.seconds(from), timeline.seconds(to + 1), level] }
card = { sound: "dark repeats, each duller than the last", have: "substitute", lost: "the flutter of worn tape", register: "C3 to F4", stacked: 1,
         purpose: "glue", width: "wide", pan: "alternating sides",
         candidates: [{ text: "worn tape loop", source: "told", sure: 0.6 }],
         chain: [{ type: "delay", setting: "dotted eighth", amount: "3 repeats" }, { type: "high cut", setting: "2.5 kHz", amount: "12 dB" }] }
write.call("Add layer echo") { |taped| taped.note(first[:id], aspect: "layer", value: { name: "echo", role: "fx", spans:, card: }, statement: "echo", source: "heard") }
write.call("Note Snare thrown into echo") do |taped|
  taped.note(first[:id], { aspect: "technique", value: { name: "Snare thrown into echo" }, statement: "Snare thrown into echo", source: "heard",
                           note: "Dotted, three repeats, the last one dull." }.merge(place.call(11, 12)))
end
write.call("Mark bar 21") do |taped|
  taped.note(first[:id], { aspect: "mark", value: { type: "question", text: "second organ an octave up?" }, statement: "second organ an octave up?", source: "heard" }
    .merge(place.call(21, 22)))
end
library.journal.record(second[:id], "Add what is said of the tempo") do |taped|
  taped.add(second[:id], aspect: "tempo", value: { bpm: 142.8 }, source: "told", note: "the drummer counts it twice as fast")
end

reed = { sound: "breathy reed, slow to speak", have: "need", register: "F4 to C6", purpose: "lead", shared: "house reed",
         stack: [{ text: "free reed, close", gives: "attack" }, { text: "bellows noise", gives: "air" }],
         candidates: [{ text: "harmonium at the rehearsal room", source: "told", sure: 0.8, cost: "to borrow", live: true },
                      { text: "sampled reed organ", source: "assumed", sure: 0.4 }] }
library.journal.record(second[:id], "Add layer reed organ") do |taped|
  taped.note(second[:id], aspect: "layer", value: { name: "reed organ", role: "lead", spans: [], card: reed }, statement: "reed organ", source: "heard")
end

# Two songs of another kind stand at the side; what the songs are about.
titled = songs.to_h { |song| [song[:title], song[:id]] }
["Kettle at the Lock", "Copper Weather"].each { |title| library.references.update(titled.fetch(title), standing: "side") }
{ "Marsh Telephone" => %w[water waiting], "Nine Buckets Down" => %w[water work], "Wet Slate" => %w[water waiting], "Pilot Light Parish" => %w[waiting] }.each do |title, words|
  library.references.update(titled.fetch(title), words: words.map { |text| { kind: "theme", text: } })
end
library.references.update(first[:id], credits: [{ text: "Organ and tape: Marlo Venn", source: "sleeve", date: "1971" }])

checklist = Work::Planning.new(library, study).create(from: "reference", reference_id: first[:id], school: "sounds")
# An afternoon at the list, by the clock.
worked = lambda do |item, minutes, change|
  library.logbook.start(item)
  library.db[:items].where(id: item[:id]).update(started_at: (Time.now - (60 * minutes)).utc.iso8601(3))
  library.items.update(item[:id], change)
end
items = checklist[:items]
[[4, "exact"], [6, "exact"], [5, "exact"], [31, "close"]].each_with_index { |(minutes, result), i| worked.call(items[i], minutes, { result: }) }
worked.call(items[4], 33, { result: "substituted", why: "A reed organ in the place of the drawbars." })
worked.call(items[5], 12, { state: "skipped", note: "Close enough with the reed organ at hand." })
ends = [0, 6, 11, 48, 83, 96].map { |minutes| (Time.now - (100 * 60) + (minutes * 60)).utc.iso8601(3) }
library.logbook.of_study(study[:id]).reverse.zip(ends) { |entry, at| library.db[:log].where(id: entry[:id]).update(at:) }
library.items.update(items[7][:id], { who: "Marlo, who has the room" })

# Two tries, the second one an hour after the first.
tries = %w[low_water_1 low_water_2].map do |name|
  list = library.checklists.find(checklist[:id])
  File.open(File.join(__dir__, "attempts", "#{name}.ogg"), "rb") { |file| library.import_attempt(study[:id], file, "#{name}.ogg", against_id: first[:id], checklist: list) }
end
bulletin.publish
tried = -> { tries.all? { |attempt| %w[done failed].include?(run_of.call(library.references.find(attempt[:song_id]))[:state]) } }
edition = bulletin.wait(edition, 2) until tried.call
["Rough, from memory.", "Chords put right; lost the snare of the last chorus."].zip(tries) { |note, attempt| library.attempts.update(attempt[:id], note:) }
register = items.find { |item| item[:title].start_with?("Register") }
library.attempts.overrule(tries.last[:id], register[:id], closeness: "close", why: "The reed lies where I want it.")

dispatcher.stop
library.db.disconnect
FileUtils.mkdir_p(home)
Dir.children(partial).sort_by { |name| name.start_with?("ethoscope") ? 1 : 0 }.each { |name| FileUtils.mv(File.join(partial, name), home) }
FileUtils.rm_rf(partial)
