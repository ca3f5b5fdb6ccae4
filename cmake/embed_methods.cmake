# Writes OUTPUT, a C++ file that holds the rule files FILES (a ;-list) as text. Run with cmake -P.
set(body "// Generated from methods/*.toml. Do not edit.\n#include \"core/method/method_library.h\"\n\nnamespace drapery {\n\nconst std::vector<MethodSource>& shippedMethods() {\n  static const std::vector<MethodSource> kShipped{\n")
foreach(file IN LISTS FILES)
  file(READ ${file} text)
  get_filename_component(name ${file} NAME)
  string(APPEND body "      {\"${name}\", R\"__rules__(${text})__rules__\"},\n")
endforeach()
string(APPEND body "  };\n  return kShipped;\n}\n\n}  // namespace drapery\n")
file(WRITE ${OUTPUT} "${body}")
