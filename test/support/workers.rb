# frozen_string_literal: true

# Worker processes that behave as a test wants, and recordings that wait for them. Goes with Application.
module Workers
  # A Ruby worker that runs this code with the recording and the result as arguments; ENV["FIXTURE"] holds an analysis.
  def worker(code)
    File.write(path = File.join(folder, "worker.rb"), "require \"json\"\nENV[\"FIXTURE\"] = #{JSON.generate(Fixture.analysis.to_h).dump}\n#{code}\n")
    [RbConfig.ruby, path]
  end

  # A recording with these bytes, queued; its id.
  def queue(bytes)
    recording = library.recordings.keep(StringIO.new(bytes)) { { format: "wav", duration: 5.0 } }
    library.analyses.queue(recording[:id])
    recording[:id]
  end

  # Whether a process has ended.
  def gone?(pid)
    Process.kill(0, pid)
    false
  rescue Errno::ESRCH
    true
  end
end
