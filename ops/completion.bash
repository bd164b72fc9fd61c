# Completion for ./tally in bash: `source ops/completion.bash`. Commands and options are asked of the program itself.
_tally_complete() {
    local root current=${COMP_WORDS[COMP_CWORD]} command=${COMP_WORDS[1]-} answer word
    root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
    if [ "$COMP_CWORD" = 1 ]; then
        mapfile -t COMPREPLY < <(compgen -W 'profile compare report recheck account' -- "$current")
        return
    fi
    if [[ $current == -* ]]; then
        local words=(-iartisan "-itally:$command")
        for word in "${COMP_WORDS[@]:2}"; do words+=("-i$word"); done
        answer=$(php "$root/artisan" _complete --no-interaction -sbash -a1 "-c$COMP_CWORD" "${words[@]}" 2>/dev/null) || return 0
        mapfile -t COMPREPLY < <(compgen -W "$answer" -- "$current")
        return
    fi
    mapfile -t COMPREPLY < <(compgen -f -- "$current")
}
complete -o filenames -F _tally_complete ./tally tally
