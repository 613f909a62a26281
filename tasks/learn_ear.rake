# frozen_string_literal: true

namespace :learn do
  desc "What the listening network is shown of songs: rake learn:features[OUT,FOLDER,...]"
  task(:features, [:out] => :load) do |_, arguments|
    inputs = Learning::EarInputs.new(arguments.fetch(:out))
    arguments.extras.each { |folder| inputs.write(folder) }
  end
end
