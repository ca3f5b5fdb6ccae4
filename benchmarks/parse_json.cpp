// The least that a program on this file can do: parse it. What drapery-cli is measured against.
#include <fstream>
#include <iostream>
#include <nlohmann/json.hpp>

int main(int argc, char** argv) {
  if (argc != 2) return 2;
  std::ifstream in(argv[1]);
  std::cout << nlohmann::json::parse(in).size() << '\n';
}
