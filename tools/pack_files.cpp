// Part of the build: TOML files in, a C++ source out that holds each as text and already read.
// Usage: pack_files OUTPUT HEADER FUNCTION FILE...
#include <filesystem>
#include <fstream>
#include <iostream>
#include <iterator>

#include "core/toml/node_pack.h"
#include "core/toml/toml_node.h"

namespace {

using namespace drapery;

std::string read(const std::string& path) {
  std::ifstream in(path, std::ios::binary);
  return {std::istreambuf_iterator<char>(in), std::istreambuf_iterator<char>()};
}

void writeBytes(std::ostream& out, const std::string& bytes) {
  for (std::size_t i = 0; i < bytes.size(); ++i)
    out << static_cast<int>(static_cast<signed char>(bytes[i])) << (i % 32 == 31 ? ",\n" : ",");
}

}  // namespace

int main(int argc, char** argv) {
  if (argc < 5) return 2;
  std::ofstream out(argv[1]);
  out << "// Generated from TOML files. Do not edit.\n#include \"" << argv[2] << "\"\n\n";
  out << "namespace drapery {\n\nnamespace {\n";
  for (int i = 4; i < argc; ++i) {
    auto parsed = parseToml(read(argv[i]), 0);
    if (const auto* issue = std::get_if<Issue>(&parsed)) {
      std::cerr << argv[i] << ':' << issue->where.line << ':' << issue->where.column << ": "
                << std::get<std::string>(issue->arguments.front().value) << '\n';
      return 1;
    }
    out << "constexpr char kPacked" << i << "[] = {\n";
    writeBytes(out, packNode(std::get<Node>(parsed)));
    out << "};\n";
  }
  out << "}  // namespace\n\nconst std::vector<TomlFile>& " << argv[3] << "() {\n";
  out << "  static const std::vector<TomlFile> kShipped{\n";
  for (int i = 4; i < argc; ++i)
    out << "      {\"" << std::filesystem::path(argv[i]).filename().string()
        << "\", FileText::lasting(R\"__file__(" << read(argv[i])
        << ")__file__\"), std::string_view(kPacked" << i << ", sizeof kPacked" << i << ")},\n";
  out << "  };\n  return kShipped;\n}\n\n}  // namespace drapery\n";
  return out.good() ? 0 : 1;
}
