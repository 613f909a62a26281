# frozen_string_literal: true

desc "Tries to break the application: rake attack[SEED,FILES,EDITS,KILLS,SECONDS]; ends with an error when something broke"
task :attack, %i[seed files edits kills seconds] do |_, arguments|
  %w[attack/attack support/band support/fixture support/sound_file support/midi_file].each { |file| require_relative "../test/#{file}" }
  numbers = { seed: 1, files: 300, edits: 500, kills: 40, seconds: 60 }.merge(arguments.to_h.transform_values(&:to_i))
  report = Attack.run(**numbers)
  puts "Seed #{numbers[:seed]}", report
  abort "Something broke." unless report.clean?
end
