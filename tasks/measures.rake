# frozen_string_literal: true

desc "What is measured: the registry, as docs/measures.md has it"
task(:measures) { puts Ethoscope::Measures::RegistryPage.page }

namespace :docs do
  desc "Write docs/measures.md anew from the registry"
  task(:measures) { File.write(File.expand_path("../docs/measures.md", __dir__), Ethoscope::Measures::RegistryPage.page) }
end
