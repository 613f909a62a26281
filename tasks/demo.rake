# frozen_string_literal: true

namespace :demo do
  desc "Render the demo songs anew (needs Debian's fluidsynth and fluid-soundfont-gm)"
  task :render do
    %w[songs score renderer].each { |file| require_relative "../demo/#{file}" }
    Demo::Songs::ALL.each do |song|
      Demo::Renderer.new(song, File.expand_path("../demo", __dir__)).render
      puts song[:title]
    end
  end
end
