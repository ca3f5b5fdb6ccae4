// Writing JSON as a stream, so that nothing stands in memory twice.
#pragma once

#include <rapidjson/prettywriter.h>
#include <rapidjson/stringbuffer.h>

#include <charconv>
#include <string>
#include <string_view>

namespace drapery {

/// RapidJSON's writers with strings that know their length and numbers as short as they can be read
/// back to the same double.
template <typename Writer>
class JsonOut {
 public:
  JsonOut() : writer_(buffer_) {}
  /// Blanks for each level, of a pretty writer.
  explicit JsonOut(unsigned indent) : writer_(buffer_) { writer_.SetIndent(' ', indent); }

  JsonOut& key(std::string_view name) {
    writer_.Key(name.data(), static_cast<rapidjson::SizeType>(name.size()));
    return *this;
  }
  void text(std::string_view value) {
    writer_.String(value.data(), static_cast<rapidjson::SizeType>(value.size()));
  }
  /// Finite.
  void number(double value) {
    char digits[32];
    const auto end = std::to_chars(std::begin(digits), std::end(digits), value).ptr;
    raw({digits, static_cast<std::size_t>(end - digits)});
  }
  void flag(bool value) { writer_.Bool(value); }
  /// A value that is JSON already.
  void raw(std::string_view json) {
    writer_.RawValue(json.data(), json.size(), rapidjson::kObjectType);
  }
  void beginObject() { writer_.StartObject(); }
  void endObject() { writer_.EndObject(); }
  void beginList() { writer_.StartArray(); }
  void endList() { writer_.EndArray(); }

  /// What was written, as a part of something else.
  [[nodiscard]] std::string_view line() const { return {buffer_.GetString(), buffer_.GetSize()}; }
  /// What was written, ending in a newline.
  [[nodiscard]] std::string str() const {
    return std::string(buffer_.GetString(), buffer_.GetSize()) + "\n";
  }

 private:
  rapidjson::StringBuffer buffer_;
  Writer writer_;
};

using PrettyJson = JsonOut<rapidjson::PrettyWriter<rapidjson::StringBuffer>>;
using LineJson = JsonOut<rapidjson::Writer<rapidjson::StringBuffer>>;

}  // namespace drapery
