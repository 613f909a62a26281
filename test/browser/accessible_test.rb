# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser_case"

# Every screen, by day and by night, held to the rules of an open checker of accessibility (WCAG 2.1 A and AA, with its best practices).
class AccessibleTest < BrowserCase
  CHECKER = File.read(File.expand_path("../../web/node_modules/axe-core/axe.min.js", __dir__))
  RUN = <<~JAVASCRIPT
    const done = arguments[0];
    axe.run(document, { runOnly: ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "best-practice"] }).then((told) =>
      done(told.violations.flatMap(({ id, nodes }) => nodes.slice(0, 4).map((node) => `${id}: ${node.html.slice(0, 160)} ${node.any.map((why) => why.message).join(" ").slice(0, 200)}`))));
  JAVASCRIPT

  def setup
    super
    @study = new_study(title: "Low Water", target_bpm: 84.5, target_tonic: "C", target_mode: "minor")
    @reference = analysed(@study)
    analysed(@study, "Second")
    @list = Work::Planning.new(library, @study).create(from: "reference", reference_id: @reference[:id])
  end

  HOUSE = %w[/ /studies/new /settings /words /reckoner?sentence=swing /nowhere].freeze
  STUDY = %w[/reckoner /profile /checklists /attempts /logbook /sounds /techniques?kind=pedal /comparison].freeze
  SHEET = %w[?reading=tempo ?reading=key ?reading=form ?card=layer:bass ?card=journal ?card=sources ?zoom=bar /layers /paper].freeze

  %w[day night].each do |theme|
    define_method(:"test_pages_of_the_house_by_#{theme}") { assert_clean(HOUSE, theme) }

    define_method(:"test_pages_of_a_study_by_#{theme}") do
      list = "/checklists/#{@list[:id]}"

      assert_clean(["", "#{list}?item=#{@list[:items][3][:id]}", "#{list}/paper", *STUDY].map { |path| "/studies/#{@study[:id]}#{path}" }, theme)
    end

    define_method(:"test_sheets_by_#{theme}") { assert_clean(["", *SHEET].map { |path| "#{sheet_of(@reference)}#{path}" }, theme) }
  end

  private

  def assert_clean(paths, theme)
    faults = paths.to_h { |path| [path, faults_of(path, theme)] }

    assert_empty(faults.reject { |_, list| list.empty? })
  end

  def faults_of(path, theme)
    visit path
    page.execute_script("localStorage.setItem('ethoscope-theme', arguments[0]); document.documentElement.dataset.theme = arguments[0]", theme)
    find("h1", text: /./)
    page.execute_script(CHECKER)
    Capybara.using_wait_time(60) { page.evaluate_async_script(RUN) }
  end
end
