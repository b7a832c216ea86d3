<x-block :block="$block" :address="$address" :item="$item" :side="$side ?? 'both'" />
